package buckle.exchange;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Exchange stands below the core and knows neither web nor database. */
@AnalyzeClasses(packages = "buckle", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule noWebNoDatabase = noClasses()
            .that()
            .resideInAPackage("buckle.exchange..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "java.net..", "jakarta..");

    @ArchTest
    static final ArchRule coreKnowsNoExchange = noClasses()
            .that()
            .resideOutsideOfPackage("buckle.exchange..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("buckle.exchange..");
}
