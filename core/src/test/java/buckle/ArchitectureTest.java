package buckle;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The house rules of the core: what it may import, and which package stands above which. */
@AnalyzeClasses(packages = "buckle", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule plain = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage("buckle..", "java..", "org.locationtech.jts..", "org.hipparchus..", "org.jspecify..");

    @ArchTest
    static final ArchRule noFilesNoNetwork = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.io..", "java.net..", "java.nio.file..", "java.sql..");

    @ArchTest
    static final ArchRule noCircles = slices().matching("buckle.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule unitsFirst = above("units", "rulebook", "site", "spec", "layout", "takeoff", "readings");

    @ArchTest
    static final ArchRule rulebookNext = above("rulebook", "site", "spec", "layout", "takeoff", "readings");

    @ArchTest
    static final ArchRule siteNext = above("site", "spec", "layout", "takeoff", "readings");

    @ArchTest
    static final ArchRule specNext = above("spec", "layout", "takeoff", "readings");

    @ArchTest
    static final ArchRule layoutNext = above("layout", "takeoff", "readings");

    private static ArchRule above(String one, String... below) {
        String[] packages = new String[below.length];
        for (int i = 0; i < below.length; i++) {
            packages[i] = "buckle." + below[i] + "..";
        }
        return noClasses()
                .that()
                .resideInAPackage("buckle." + one + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(packages);
    }
}
