package buckle;

import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameEndingWith;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import buckle.layout.Finding;
import buckle.units.UnitSystem;
import com.tngtech.archunit.core.domain.JavaCall;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.List;
import java.util.Locale;

/** The house rules of the core: what it may import, and which package stands above which. */
@AnalyzeClasses(packages = "buckle", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule plain = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "buckle..",
                    "java..",
                    "org.locationtech.jts..",
                    "org.hipparchus..",
                    "org.jspecify..",
                    "com.google.ortools..");

    /** The solver's own code is loaded by whoever cuts, and by nobody else. */
    @ArchTest
    static final ArchRule solver = noClasses()
            .that()
            .resideOutsideOfPackage("buckle.cut..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("com.google..");

    @ArchTest
    static final ArchRule noFilesNoNetwork = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.io..", "java.net..", "java.nio.file..", "java.sql..");

    @ArchTest
    static final ArchRule noCircles = slices().matching("buckle.(*)..").should().beFreeOfCycles();

    /** From the one that imports nothing of ours to the one that may import all. */
    private static final List<String> ORDER = List.of(
            "task",
            "units",
            "rulebook",
            "material",
            "pulse",
            "search",
            "diagnosis",
            "simulation",
            "power",
            "site",
            "tape",
            "land",
            "cut",
            "mechanics",
            "spec",
            "message",
            "layout",
            "network",
            "review",
            "setout",
            "takeoff",
            "price",
            "stock",
            "circuit",
            "readings",
            "commissioning",
            "upkeep",
            "design",
            "practice",
            "reach",
            "variant");

    /** Copies of a record with one component changed are generated; see CONTRIBUTING. */
    @ArchTest
    static final ArchRule noWitherByHand = methods()
            .that()
            .areDeclaredInClassesThat()
            .areRecords()
            .and()
            .haveNameMatching("with[A-Z].*")
            .should(new ArchCondition<>("not copy the record with a component changed") {
                @Override
                public void check(JavaMethod method, ConditionEvents events) {
                    String component = method.getName().substring(4, 5).toLowerCase(Locale.ROOT)
                            + method.getName().substring(5);
                    boolean byHand = method.getOwner().tryGetField(component).isPresent()
                            && method.getRawParameterTypes()
                                    .equals(List.of(method.getOwner()
                                            .getField(component)
                                            .getRawType()));
                    if (byHand) {
                        events.add(SimpleConditionEvent.violated(method, method.getFullName()));
                    }
                }
            });

    /** What the core says is facts; it knows no sentence, but for the one method that a finding is told by. */
    @ArchTest
    static final ArchRule noSentenceInTheCore = noClasses()
            .that()
            .resideOutsideOfPackage("buckle.message")
            .and()
            .doNotHaveFullyQualifiedName("buckle.layout.Finding")
            .should()
            .callMethodWhere(JavaCall.Predicates.target(owner(nameEndingWith(".English"))))
            .orShould()
            .callMethod(Finding.class, "text", UnitSystem.class);

    @ArchTest
    static void eachImportsOnlyWhatStandsAboveIt(JavaClasses all) {
        for (int i = 0; i < ORDER.size() - 1; i++) {
            above(ORDER.get(i), ORDER.subList(i + 1, ORDER.size())).check(all);
        }
    }

    private static ArchRule above(String one, List<String> below) {
        return noClasses()
                .that()
                .resideInAPackage("buckle." + one + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        below.stream().map(p -> "buckle." + p + "..").toArray(String[]::new));
    }
}
