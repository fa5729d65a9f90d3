package wistel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

public class ArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("wistel.core");

    @Test
    public void theRoomsOfCoreFormNoCircle() {
        slices().matching("wistel.core.(*)..").should().beFreeOfCycles().check(CORE);
    }

    @Test
    public void nothingPointsAtDocketOrRender() {
        noClasses().that().resideOutsideOfPackages("..docket..").should().dependOnClassesThat().resideInAPackage("..core.docket..").check(CORE);
        noClasses().that().resideOutsideOfPackages("..render..").should().dependOnClassesThat().resideInAPackage("..core.render..").check(CORE);
    }

    @Test
    public void coreKnowsNoFrameworkNoDatabaseNoSocketAndNotTheJdksCmm() {
        noClasses().should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "java.net..", "java.awt.color..",
            "jakarta..", "tools.jackson..").check(CORE);
    }

    @Test
    public void theColourEngineKnowsNoPictures() {
        noClasses().that().resideInAPackage("..core.icc..").should().dependOnClassesThat().resideInAnyPackage("..core.pictures..", "..core.sheet..", "..core.printer..").check(CORE);
    }
}
