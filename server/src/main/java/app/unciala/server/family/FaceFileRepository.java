package app.unciala.server.family;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FaceFileRepository extends JpaRepository<FaceFileEntity, String> {
    List<FaceFileEntity> findByFamilyId(String familyId);

    List<FaceFileEntity> findByFamilyIdIn(Collection<String> familyIds);

    List<FaceFileEntity> findBySha256(String sha256);

    List<FaceFileEntity> findBySha256In(Collection<String> sha256);

    List<FaceFileEntity> findByDrawingIn(Collection<String> drawings);

    /** Those that an earlier version read less or otherwise out of. */
    @Query("select f from FaceFileEntity f where f.drawingVersion < :version or f.sample = '' or f.sketch is null"
            + " or f.markKind is null or f.languages is null")
    List<FaceFileEntity> readByEarlierVersions(int version);

    List<FaceFileEntity> findByDrawing(String drawing);

    /** Native, since those that are held no more are in no other query. */
    @Query(
            nativeQuery = true,
            value = "select * from face_file where family_id = :familyId and superseded_by is not null"
                    + " order by deleted_at desc, id")
    List<FaceFileEntity> findSuperseded(String familyId);

    /** Those that another file took the place of, by the bytes or the drawing. */
    @Query(
            nativeQuery = true,
            value = "select * from face_file where superseded_by is not null"
                    + " and (sha256 in (:sha256) or drawing in (:drawings)) order by deleted_at desc, id")
    List<FaceFileEntity> findSuperseded(Collection<String> sha256, Collection<String> drawings);

    /** What is held for the slot of a file in other drawings than its own. */
    default List<FaceFileEntity> drawnOtherwise(FaceFileEntity than) {
        return findByFamilyId(than.familyId()).stream()
                .filter(file ->
                        file.slot().equals(than.slot()) && !file.drawing().equals(than.drawing()))
                .toList();
    }
}
