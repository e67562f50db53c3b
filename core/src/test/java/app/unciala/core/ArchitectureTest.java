package app.unciala.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Core knows no framework, and its packages depend one way. */
class ArchitectureTest {
    private final JavaClasses core = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("app.unciala.core");

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
                        "org.apache.commons.csv..",
                        "tools.jackson.core..")
                .check(core);
    }

    @Test
    void noTwoPackagesAtAnyDepthDependOnEachOther() {
        slices().matching("app.unciala.(**)").should().beFreeOfCycles().check(core);
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

    /** What a site delivers is put together as a question once; the decider is package-private, and has two callers. */
    @Test
    void licensesAreAskedInTwoPlaces() {
        noClasses()
                .that()
                .haveSimpleNameNotStartingWith("Clearance")
                .and()
                .doNotHaveSimpleName("LicenseQuestions")
                .and()
                .doNotHaveSimpleName("LicenseDecider")
                .and()
                .doNotHaveSimpleName("Deciding")
                .should()
                .dependOnClassesThat()
                .haveSimpleName("LicenseDecider")
                .check(core);
    }
}
