package app.unciala.font;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The font engine is a library of its own, and its packages depend one way. */
class ArchitectureTest {
    private static final JavaClasses ENGINE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("app.unciala.font");

    @Test
    void itRestsOnNothingButBrotliAndCldr() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "java..",
                        "javax.xml..",
                        "org.w3c.dom..",
                        "org.xml.sax..",
                        "app.unciala.font..",
                        "org.jspecify..",
                        "com.aayushatharva..",
                        "com.ibm.icu..")
                .check(ENGINE);
    }

    @Test
    void noTwoPackagesAtAnyDepthDependOnEachOther() {
        slices().matching("app.unciala.(**)").should().beFreeOfCycles().check(ENGINE);
    }

    @Test
    void whatReadsFontsKnowsNothingOfWhatCutsAndRenamesThem() {
        noClasses()
                .that()
                .resideOutsideOfPackages("..font.subset..", "..font.instance..", "..font.rename..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("..font.subset..", "..font.instance..", "..font.rename..")
                .check(ENGINE);
    }

    @Test
    void identityIsApartFromWhatWritesFonts() {
        noClasses()
                .that()
                .resideInAnyPackage("..font.face..", "..font.report..")
                .should()
                .dependOnClassesThat()
                .haveSimpleNameEndingWith("Writer")
                .check(ENGINE);
    }
}
