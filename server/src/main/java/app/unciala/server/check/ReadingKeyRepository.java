package app.unciala.server.check;

import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ReadingKeyRepository extends JpaRepository<ReadingKeyEntity, String> {
    /** Uses a key up; 0 if somebody else has done so meanwhile. */
    @Modifying
    @Query("delete from ReadingKeyEntity k where k.digest = :digest")
    int useUp(String digest);

    @Modifying
    @Query("delete from ReadingKeyEntity k where k.endsAt <= :now")
    int deleteEnded(Instant now);
}
