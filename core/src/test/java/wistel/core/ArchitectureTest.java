package wistel.core;

import static java.util.Map.entry;
import static org.assertj.core.api.Assertions.assertThat;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
        .importPackages("wistel.core");

    @Test
    public void theRoomsOfCoreFormNoCircle() {
        slices().matching("wistel.core.(*)..").should().beFreeOfCycles().check(CORE);
    }

    /** Which rooms each room may know. */
    private static final Map<String, Set<String>> ARROWS = Map.ofEntries(
        entry("fault", Set.of()),
        entry("progress", Set.of()),
        entry("colour", Set.of("fault")),
        entry("cgats", Set.of("fault", "colour")),
        entry("light", Set.of("fault", "colour")),
        entry("icc", Set.of("fault", "colour", "cgats", "progress")),
        entry("length", Set.of("fault")),
        entry("pictures", Set.of("fault", "colour", "icc", "progress")),
        entry("printer", Set.of("fault", "length", "icc")),
        entry("tone", Set.of("fault", "colour", "cgats", "icc", "pictures", "printer")),
        entry("paper", Set.of("fault", "colour", "icc", "length")),
        entry("pairing", Set.of("fault", "colour", "icc", "length", "paper", "printer", "tone")),
        entry("rendition", Set.of("fault", "colour", "icc", "light", "pictures", "pairing", "paper", "tone")),
        entry("packing", Set.of()),
        entry("sheet", Set.of("fault", "length", "packing", "paper", "pictures")),
        entry("render", Set.of("fault", "colour", "icc", "length", "paper", "pictures", "progress", "rendition", "sheet")),
        entry("docket",
            Set.of("fault", "icc", "length", "light", "pairing", "paper", "pictures", "printer", "rendition", "sheet", "tone")));

    @DataProvider
    public Object[][] rooms() {
        return CORE.stream().map(c -> c.getPackageName().split("\\.")).filter(p -> p.length > 2).map(p -> p[2]).distinct()
            .map(room -> new Object[] {room}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "rooms")
    public void eachRoomKnowsOnlyThoseThatItMay(String room) {
        assertThat(ARROWS).as("a new room says what it may know").containsKey(room);
        String[] others = ARROWS.keySet().stream().filter(r -> !r.equals(room) && !ARROWS.get(room).contains(r))
            .map(r -> "wistel.core." + r + "..").toArray(String[]::new);
        noClasses().that().resideInAPackage("wistel.core." + room + "..").should().dependOnClassesThat().resideInAnyPackage(others)
            .check(CORE);
    }

    /** Which rooms of a docket each of them may know. */
    private static final Map<String, Set<String>> DOCKET_ARROWS = Map.of("spec", Set.of(), "costs", Set.of("spec"), "words",
        Set.of("spec", "costs"), "changes", Set.of("spec", "words"), "findings", Set.of("spec", "costs", "words", "changes"));

    @DataProvider
    public Object[][] docketRooms() {
        return CORE.stream().map(c -> c.getPackageName().split("\\.")).filter(p -> p.length > 3 && p[2].equals("docket")).map(p -> p[3])
            .distinct().map(room -> new Object[] {room}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "docketRooms")
    public void eachRoomOfADocketKnowsOnlyThoseThatItMay(String room) {
        assertThat(DOCKET_ARROWS).as("a new room says what it may know").containsKey(room);
        String[] others = DOCKET_ARROWS.keySet().stream().filter(r -> !r.equals(room) && !DOCKET_ARROWS.get(room).contains(r))
            .map(r -> "wistel.core.docket." + r).toArray(String[]::new);
        noClasses().that().resideInAPackage("wistel.core.docket." + room).should().dependOnClassesThat().resideInAnyPackage(others)
            .check(CORE);
        noClasses().that().resideInAPackage("wistel.core.docket." + room).should().dependOnClassesThat()
            .resideInAPackage("wistel.core.docket").check(CORE);
    }

    @Test
    public void nothingPointsAtDocketOrRender() {
        noClasses().that().resideOutsideOfPackages("..docket..").should().dependOnClassesThat().resideInAPackage("..core.docket..")
            .check(CORE);
        noClasses().that().resideOutsideOfPackages("..render..").should().dependOnClassesThat().resideInAPackage("..core.render..")
            .check(CORE);
    }

    @Test
    public void coreKnowsNoFrameworkNoDatabaseNoSocketAndNotTheJdksCmm() {
        noClasses().should().dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "java.net..", "java.awt.color..",
                "jakarta..", "tools.jackson..")
            .check(CORE);
    }

    @Test
    public void theColourEngineKnowsNoPictures() {
        noClasses().that().resideInAPackage("..core.icc..").should().dependOnClassesThat()
            .resideInAnyPackage("..core.pictures..", "..core.sheet..", "..core.printer..").check(CORE);
    }
}
