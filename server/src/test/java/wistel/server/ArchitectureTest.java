package wistel.server;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

public class ArchitectureTest {
    private static final JavaClasses SERVER = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
        .importPackages("wistel.server");

    @Test
    public void theServerKnowsNothingOfTheStandIn() {
        noClasses().should().dependOnClassesThat().resideInAPackage("wistel.standin..").check(SERVER);
    }

    @Test
    public void onlyRepositoriesAndTheirLikesSpeakSql() {
        noClasses().that().haveSimpleNameNotEndingWith("Repository").and().haveSimpleNameNotEndingWith("TaskRecovery")
            .should().dependOnClassesThat().resideInAPackage("org.springframework.jdbc..").check(SERVER);
    }

    @Test
    public void printingKnowsDocketsAndNotTheOtherWay() {
        noClasses().that().resideInAPackage("..server.docket..").should().dependOnClassesThat()
            .resideInAnyPackage("..server.print..", "..server.bench..", "..server.demo..").check(SERVER);
        slices().matching("wistel.server.(*)..").should().beFreeOfCycles().check(SERVER);
    }

    @Test
    public void onlyTheIppClientSpeaksIpp() {
        noClasses().that().haveSimpleNameNotStartingWith("Ipp").should().dependOnClassesThat().resideInAPackage("com.hp.jipp..")
            .check(SERVER);
    }

    /**
     * Its threads would wait at caches for computations that need them: with two processors for ever. Core's computations use it, and wait
     * for nothing.
     */
    @Test
    public void theServerPutsNothingOnTheCommonPool() {
        noClasses().should().callMethodWhere(target(nameMatching("parallelStream|parallel|supplyAsync|runAsync"))).check(SERVER);
    }
}
