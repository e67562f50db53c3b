package app.unciala.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.web.bind.annotation.RestController;

/** Features keep their insides to themselves, and depend on each other one way. */
class ArchitectureTest {
    private final JavaClasses server = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("app.unciala.server");

    @Test
    void entitiesAndRepositoriesDoNotLeaveTheirFeature() {
        classes()
                .that()
                .areAnnotatedWith(Entity.class)
                .should()
                .bePackagePrivate()
                .check(server);
        classes()
                .that()
                .areAssignableTo(Repository.class)
                .should()
                .bePackagePrivate()
                .check(server);
        classes()
                .that()
                .areAnnotatedWith(RestController.class)
                .should()
                .bePackagePrivate()
                .check(server);
    }

    @Test
    void featuresDependOneWay() {
        slices().matching("app.unciala.server.(*)..").should().beFreeOfCycles().check(server);
    }

    @Test
    void controllersReachTheDatabaseThroughServicesOnly() {
        noClasses()
                .that()
                .areAnnotatedWith(RestController.class)
                .should()
                .dependOnClassesThat()
                .areAssignableTo(Repository.class)
                .check(server);
    }
}
