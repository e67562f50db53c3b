package app.unciala.font;

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

/** The font engine is a library of its own, and its packages depend one way. */
class ArchitectureTest {
    private static final JavaClasses ENGINE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("app.unciala.font");

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
    void itRestsOnNothingButBrotliAndCldr() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "java..",
                        "javax.xml..",
                        "app.unciala.font..",
                        "org.jspecify..",
                        "com.aayushatharva..",
                        "com.ibm.icu..")
                .check(ENGINE);
    }

    @Test
    void noTwoPackagesAtAnyDepthDependOnEachOther() {
        slices().assignedFrom(EVERY_PACKAGE).should().beFreeOfCycles().check(ENGINE);
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
