package dev.yardarm.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The arrows between modules and packages, read from the built classes of all modules. */
class ArchitectureTest {
    private static final Map<String, List<String>> MAY_USE = Map.of(
            "core", List.of(),
            "chart", List.of("core"),
            "market", List.of("core"),
            "data", List.of("core"),
            "desk", List.of("core", "chart", "data", "market"),
            "app", List.of("core", "chart", "data", "market", "desk"),
            "cli", List.of("core", "chart", "data", "market", "desk"));

    private static JavaClasses classes;

    @BeforeAll
    static void read() {
        Path root = Path.of("").toAbsolutePath().getParent();
        List<Path> folders = MAY_USE.keySet().stream()
                .map(module -> root.resolve("yardarm-" + module).resolve("target/classes"))
                .toList();
        assertThat(folders).allMatch(Files::isDirectory);
        classes = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPaths(folders);
        assertThat(classes.size()).isGreaterThan(150);
    }

    @Test
    void modulesUseOnlyWhatTheyMay() {
        MAY_USE.forEach((module, allowed) -> {
            for (String other : MAY_USE.keySet()) {
                if (!other.equals(module) && !allowed.contains(other)) {
                    noClasses()
                            .that()
                            .resideInAPackage("dev.yardarm." + module + "..")
                            .should()
                            .dependOnClassesThat()
                            .resideInAPackage("dev.yardarm." + other + "..")
                            .check(classes);
                }
            }
        });
    }

    @Test
    void onlyTheApplicationKnowsTheToolkit() {
        noClasses()
                .that()
                .resideOutsideOfPackage("dev.yardarm.app..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..")
                .check(classes);
    }

    @Test
    void theCoreHasNoFilesThreadsOrClock() {
        noClasses()
                .that()
                .resideInAPackage("dev.yardarm.core..")
                .and()
                .haveSimpleNameNotStartingWith("Declarations")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.nio.file..", "java.util.concurrent..", "java.sql..", "java.net..")
                .check(classes);
        noClasses()
                .that()
                .resideInAPackage("dev.yardarm.core..")
                .should()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(classes);
    }

    /** All work goes through the scheduler's lanes; the market's beat and the saver have a thread each. */
    @Test
    void nobodyElseHasThreadsOfHisOwn() {
        noClasses()
                .that()
                .resideInAnyPackage(
                        "dev.yardarm.desk..", "dev.yardarm.data..", "dev.yardarm.chart..", "dev.yardarm.market..")
                .and()
                .doNotHaveFullyQualifiedName("dev.yardarm.desk.work.Scheduler")
                .and()
                .doNotHaveFullyQualifiedName("dev.yardarm.desk.live.LiveHub")
                .and()
                .doNotHaveFullyQualifiedName("dev.yardarm.desk.book.DocumentSaver")
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.util.concurrent.Executors")
                .orShould()
                .callConstructor(Thread.class, Runnable.class)
                .orShould()
                .callMethod(
                        java.util.concurrent.CompletableFuture.class, "supplyAsync", java.util.function.Supplier.class)
                .orShould()
                .callMethod(java.util.concurrent.CompletableFuture.class, "runAsync", Runnable.class)
                .check(classes);
    }

    /** Steps of undo are made where the work is done; the interface asks for them. */
    @Test
    void onlyTheDeskMakesStepsOfUndo() {
        noClasses()
                .that()
                .resideOutsideOfPackage("dev.yardarm.desk..")
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName("dev.yardarm.desk.command.Command")
                .check(classes);
    }

    /** What is shown is asked of the desk; how it is written down is no business of a window. */
    @Test
    void theWindowKnowsNoDocuments() {
        noClasses()
                .that()
                .resideInAPackage("dev.yardarm.app..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("dev.yardarm.data.document..")
                .check(classes);
    }

    /** A moment is handed in; whoever computes does not ask what time it is in the market. */
    @Test
    void onlyTheDeskItselfKnowsTheMarketsClock() {
        noClasses()
                .that()
                .resideInAnyPackage(
                        "dev.yardarm.desk.vantage..",
                        "dev.yardarm.desk.feed..",
                        "dev.yardarm.desk.alert..",
                        "dev.yardarm.desk.scan..",
                        "dev.yardarm.desk.evidence..",
                        "dev.yardarm.desk.card..",
                        "dev.yardarm.desk.plan..",
                        "dev.yardarm.desk.stance..",
                        "dev.yardarm.desk.list..",
                        "dev.yardarm.desk.room..")
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName("dev.yardarm.desk.market.MarketClock")
                .check(classes);
    }

    @Test
    void packagesHaveNoCycles() {
        for (String module : MAY_USE.keySet()) {
            slices().matching("dev.yardarm." + module + ".(**)")
                    .should()
                    .beFreeOfCycles()
                    .allowEmptyShould(true)
                    .check(classes);
        }
    }

    @Test
    void packagesAreNamedAfterWhatTheyDo() {
        noClasses()
                .should()
                .resideInAnyPackage("..util..", "..impl..", "..manager..", "..helper..", "..common..")
                .check(classes);
    }
}
