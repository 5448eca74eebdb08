package buckle.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The server holds no formula: no mathematics, no rule values, no geometry. */
@AnalyzeClasses(packages = "buckle.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule noFormula = noClasses()
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.lang.Math")
            .orShould()
            .dependOnClassesThat()
            .resideInAnyPackage("org.locationtech.jts..", "org.hipparchus..");

    @ArchTest
    static final ArchRule mappersStayInTheirAggregate = noClasses()
            .that()
            .resideInAPackage("buckle.server.design..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.apache.ibatis..", "java.sql..");
}
