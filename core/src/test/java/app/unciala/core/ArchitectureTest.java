package app.unciala.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import org.junit.jupiter.api.Test;

/** Core knows no framework, and its packages depend one way. */
class ArchitectureTest {
    private final JavaClasses core = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("app.unciala.core");

    /** Each package is a slice of its own, at whatever depth it stands. */
    private static final SliceAssignment EVERY_PACKAGE = new SliceAssignment() {
        @Override
        public String getDescription() {
            return "every package";
        }

        @Override
        public SliceIdentifier getIdentifierOf(JavaClass type) {
            return SliceIdentifier.of(type.getPackageName());
        }
    };

    @Test
    void coreKnowsNoFramework() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "java..",
                        "javax.xml..",
                        "javax.net.ssl..",
                        "app.unciala.core..",
                        "org.jspecify..",
                        "com.google.common..",
                        "app.unciala.font..",
                        "com.ibm.icu..",
                        "org.jsoup..",
                        "crawlercommons..",
                        "org.apache.hc..",
                        "tools.jackson.core..")
                .check(core);
    }

    @Test
    void noTwoPackagesAtAnyDepthDependOnEachOther() {
        slices().assignedFrom(EVERY_PACKAGE).should().beFreeOfCycles().check(core);
    }

    @Test
    void nothingBelowTheComparisonKnowsIt() {
        noClasses()
                .that()
                .resideOutsideOfPackage("..core.flag..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("..core.flag..")
                .check(core);
    }
}
