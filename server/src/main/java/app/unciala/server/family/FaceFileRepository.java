package app.unciala.server.family;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface FaceFileRepository extends JpaRepository<FaceFileEntity, String> {
    List<FaceFileEntity> findByFamilyId(String familyId);

    List<FaceFileEntity> findByFamilyIdIn(Collection<String> familyIds);

    List<FaceFileEntity> findBySha256(String sha256);

    List<FaceFileEntity> findBySha256In(Collection<String> sha256);

    List<FaceFileEntity> findByDrawingIn(Collection<String> drawings);

    List<FaceFileEntity> findByDrawingVersionLessThanOrSample(int version, String sample);

    List<FaceFileEntity> findByDrawing(String drawing);
}
