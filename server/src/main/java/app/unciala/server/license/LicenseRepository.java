package app.unciala.server.license;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.JpaSpecificationExecutor;
import org.springframework.data.jpa.repository.Query;

interface LicenseRepository extends JpaRepository<LicenseEntity, String>, JpaSpecificationExecutor<LicenseEntity> {
    List<LicenseEntity> findByIdInOrderByNameAscIdAsc(Collection<String> ids);

    /** The licenses that begin, end or come into their notice period after one day and up to another. */
    @Query("select license from LicenseEntity license where license.begins > :after and license.begins <= :until"
            + " or license.noticeFrom > :after and license.noticeFrom <= :until"
            + " or license.ends >= :after and license.ends < :until")
    List<LicenseEntity> changingBetween(LocalDate after, LocalDate until);

    /** The licenses that end, come into their notice period, or are paid for between two days. */
    @Query("select license from LicenseEntity license where license.ends between :first and :last"
            + " or license.noticeFrom between :first and :last or license.nextPayment between :first and :last")
    List<LicenseEntity> dueBetween(LocalDate first, LocalDate last);

    /** The licenses that may be paid for by a day: their next payment, or an end by which they renew, is not later. */
    @Query("select license from LicenseEntity license where license.nextPayment <= :last or license.ends <= :last")
    List<LicenseEntity> payingBy(LocalDate last);
}
