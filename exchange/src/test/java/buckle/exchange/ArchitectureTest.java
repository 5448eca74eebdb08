package buckle.exchange;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;

import buckle.layout.Finding;
import buckle.message.English;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.domain.JavaMethodCall;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.Set;
import java.util.stream.Collectors;

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

    /** A sentence is written where it leaves Buckle; no method that has one takes it apart or compares it. */
    @ArchTest
    static final ArchRule sentencesAreOnlyWritten = noMethods()
            .should(new ArchCondition<>("read a sentence it was told") {
                @Override
                public void check(JavaMethod method, ConditionEvents events) {
                    Set<String> called = method.getMethodCallsFromSelf().stream()
                            .filter(c -> c.getTargetOwner().isEquivalentTo(String.class))
                            .map(c -> c.getTarget().getName())
                            .filter(READS::contains)
                            .collect(Collectors.toSet());
                    boolean told = method.getMethodCallsFromSelf().stream().anyMatch(ArchitectureTest::tells);
                    if (told && !called.isEmpty()) {
                        events.add(SimpleConditionEvent.satisfied(
                                method, method.getFullName() + " calls String." + called));
                    }
                }
            });

    private static final Set<String> READS = Set.of(
            "equals",
            "equalsIgnoreCase",
            "compareTo",
            "contains",
            "startsWith",
            "endsWith",
            "indexOf",
            "lastIndexOf",
            "matches",
            "split",
            "replace",
            "replaceAll",
            "replaceFirst",
            "substring",
            "hashCode");

    private static boolean tells(JavaMethodCall call) {
        return call.getTargetOwner().isEquivalentTo(English.class)
                || call.getTargetOwner().isEquivalentTo(Finding.class)
                        && call.getTarget().getName().equals("text");
    }
}
