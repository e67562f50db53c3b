package app.unciala.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

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

    /** The document of the API calls a record by its simple name, so that of two with one name it describes only one. */
    @Test
    void recordsOfTheApiHaveNamesOfTheirOwn() throws IOException {
        JsonNode schemas = JsonMapper.builder()
                .build()
                .readTree(Path.of("../web/openapi.json"))
                .required("components")
                .required("schemas");
        Map<String, Long> records = server.stream()
                .filter(type -> type.isRecord() && type.getModifiers().contains(JavaModifier.PUBLIC))
                .collect(Collectors.groupingBy(JavaClass::getSimpleName, Collectors.counting()));
        assertThat(records).containsKey("Family");
        records.values().removeIf(count -> count == 1);
        assertThat(records.keySet()).noneMatch(schemas::has);
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
