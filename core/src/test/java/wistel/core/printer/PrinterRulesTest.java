package wistel.core.printer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.printer.Conflict.Alteration;
import wistel.core.printer.Conflict.Offer;

/**
 * A small printer: gloss through the rear, cotton of up to 1 mm through the front with ends that may be waived, monochrome for cotton
 * alone.
 */
public class PrinterRulesTest {
    private static final Margins EVEN = new Margins(3, 3, 3, 3);
    private static final Margins ENDS = new Margins(30, 3, 30, 3);
    private static final Range THIN = new Range(0, 0.35);
    private static final List<MediaRow> MEDIA = List.of(
        sheet("gloss", "rear", 210, 297, EVEN, THIN), sheet("gloss", "rear", 210, 297, Margins.NONE, THIN),
        sheet("gloss", "rear", 297, 420, EVEN, THIN),
        sheet("gloss", "front", 210, 297, EVEN, MediaRow.ANY_THICKNESS), sheet("cotton", "front", 210, 297, ENDS, MediaRow.ANY_THICKNESS),
        sheet("cotton", "front", 210, 297, EVEN, MediaRow.ANY_THICKNESS),
        new MediaRow("gloss", "roll", Range.only(431.8), new Range(100, 5000), EVEN, THIN));
    private static final Map<String, ValueSet> SUPPORTED = Map.of("media-type", ValueSet.keywords("gloss", "cotton"), "media-source",
        ValueSet.keywords("rear", "front", "roll"),
        "print-quality", ValueSet.enums(3, 4, 5), "print-color-mode", ValueSet.keywords("color", "process-monochrome"), "finishings",
        ValueSet.enums(3, 60));
    private static final List<Constraint> CONSTRAINTS = List.of(
        new Constraint("mono",
            Map.of("print-color-mode", ValueSet.keywords("process-monochrome"), "media-type", ValueSet.keywords("gloss"))),
        new Constraint("quick", Map.of("print-color-mode", ValueSet.keywords("process-monochrome"), "print-quality", ValueSet.enums(3))),
        new Constraint("cut", Map.of("finishings", ValueSet.enums(60), "media-source", ValueSet.keywords("rear", "front"))));
    private static final PrinterDescription PRINTER = new PrinterDescription("", MEDIA, SUPPORTED,
        Map.of("print-quality", "5", "finishings", "3", "print-color-mode", "color"), CONSTRAINTS,
        List.of(new Resolver("quick", Map.of("print-quality", "4"))), List.of(360), List.of("device3_16"), List.of(), List.of(),
        Optional.empty(), Map.of());
    private static final PrinterRules RULES = new PrinterRules(PRINTER);

    private static MediaRow sheet(String type, String feed, double width, double length, Margins margins, Range thickness) {
        return new MediaRow(type, feed, Range.only(width), Range.only(length), margins, thickness);
    }

    private static JobRequest a4(String... settings) {
        Map<String, String> map = new TreeMap<>();
        for (int i = 0; i < settings.length; i += 2) {
            map.put(settings[i], settings[i + 1]);
        }
        return new JobRequest(map, 210, 297, false, false, 0);
    }

    private static Offer offer(String setting, String value, JobRequest job) {
        return RULES.offers(setting, job).stream().filter(o -> o.value().equals(value)).findFirst().orElseThrow();
    }

    @Test
    public void whatTheTableHoldsIsPossible() {
        assertThat(RULES.check(a4("media-type", "gloss", "media-source", "rear"))).isEmpty();
        assertThat(RULES.check(a4("media-type", "gloss", "media-source", "rear").edged(true))).isEmpty();
        assertThat(RULES.row(a4("media-type", "gloss", "media-source", "rear")).orElseThrow().margins()).isEqualTo(EVEN);
        assertThat(RULES.row(a4("media-type", "gloss", "media-source", "rear").edged(true)).orElseThrow().borderless()).isTrue();
        assertThat(RULES.check(new JobRequest(Map.of("media-type", "gloss", "media-source", "roll"), 431.8, 0, true, false, 0))).isEmpty();
    }

    /** Only what excludes each other is named: size and edges have no part in it. */
    @Test
    public void aConflictNamesAsFewSettingsAsExcludeEachOther() {
        assertThat(RULES.check(a4("media-type", "cotton", "media-source", "rear")).get(0).between()).containsExactlyInAnyOrder("media-type",
            "media-source");
        assertThat(RULES.check(a4("media-type", "gloss", "media-source", "front").edged(true)).get(0).between())
            .containsExactlyInAnyOrder("borderless", "media-source");
        JobRequest thick = new JobRequest(Map.of("media-type", "gloss", "media-source", "rear"), 210, 297, false, false, 0.52);
        assertThat(RULES.check(thick).get(0).between()).containsExactlyInAnyOrder("media-thickness", "media-source");
        assertThat(RULES.way(thick, Set.of())).containsExactly(new Alteration.Setting("media-source", "front"));
    }

    @Test
    public void theSmallestSetOfChangesIsFound() {
        JobRequest quickGloss = a4("media-type", "gloss", "media-source", "rear", "print-quality", "3");
        Offer mono = offer("print-color-mode", "process-monochrome", quickGloss);
        assertThat(mono.possible()).isFalse();
        // another type, the feed that it needs, and another quality, as the printer proposes it
        assertThat(mono.way()).containsExactlyInAnyOrder(new Alteration.Setting("media-type", "cotton"),
            new Alteration.Setting("media-source", "front"), new Alteration.Setting("print-quality", "4"));
        assertThat(offer("finishings", "60", quickGloss).way()).as("no A4 lies on the roll").hasSize(2).contains(
            new Alteration.Setting("media-source", "roll"),
            new Alteration.Size(431.8, 0, true));
        assertThat(RULES.edges(true, a4("media-type", "cotton", "media-source", "front")).way()).hasSize(2);
    }

    @Test
    public void marginsThatMayBeWaivedAreKeptUnlessAsked() {
        JobRequest cotton = a4("media-type", "cotton", "media-source", "front");
        assertThat(RULES.topMargins(cotton)).containsExactly("3000", "300");
        assertThat(RULES.row(cotton).orElseThrow().margins()).isEqualTo(ENDS);
        assertThat(RULES.row(cotton.with("media-top-margin", "300")).orElseThrow().margins()).isEqualTo(EVEN);
        assertThat(RULES.check(cotton.with("media-top-margin", "1200"))).hasSize(1);
    }

    @Test
    public void whatIsLeftToThePrinterMayBeAnything() {
        PrinterDescription choosing = new PrinterDescription("", MEDIA,
            Map.of("media-source", ValueSet.keywords("auto", "rear", "front", "roll")), Map.of(), List.of(), List.of(), List.of(360),
            List.of(), List.of(),
            List.of(), Optional.empty(), Map.of());
        JobRequest auto = a4("media-type", "gloss", "media-source", "auto").edged(true);
        assertThat(new PrinterRules(choosing).check(auto)).isEmpty();
        assertThat(new PrinterRules(choosing).row(auto).orElseThrow().feed()).isEqualTo("rear");
    }

    @Test
    public void aValueThatIsGoneIsToldAndReplaced() {
        JobRequest old = a4("media-type", "gloss", "media-source", "cassette");
        assertThat(RULES.check(old)).extracting(Conflict::kind).contains(Conflict.Kind.GONE);
        assertThat(RULES.way(old, Set.of("media-type"))).containsExactly(new Alteration.Setting("media-source", "rear"));
    }

    /** Whatever way is offered, it leads to a request without conflicts that keeps what was to be kept. */
    @Test
    public void everyWayOutLeadsOut() {
        SplittableRandom random = new SplittableRandom(7);
        int helped = 0;
        for (int i = 0; i < 500; i++) {
            Map<String, String> map = new TreeMap<>();
            SUPPORTED.forEach((name, values) -> map.put(name, values.values().get(random.nextInt(values.values().size()))));
            JobRequest job = new JobRequest(map, random.nextBoolean() ? 210 : 297, 297 + 123 * random.nextInt(2), false,
                random.nextBoolean(), random.nextInt(3) * 0.25);
            for (String kept : SUPPORTED.keySet()) {
                List<Alteration> way = RULES.way(job, Set.of(kept));
                JobRequest after = job;
                for (Alteration a : way) {
                    after = PrinterRules.altered(after, a);
                }
                assertThat(after.get(kept)).isEqualTo(job.get(kept));
                if (!way.isEmpty()) {
                    assertThat(RULES.check(after)).as(job + " by " + way).isEmpty();
                    helped++;
                }
            }
        }
        assertThat(helped).isGreaterThan(500);
    }

    /** A table and rules as large as any: the answer is right and no request takes a search without end. */
    @Test
    public void aHugeTableIsSearchedWithinItsBounds() {
        List<MediaRow> rows = new ArrayList<>();
        for (int i = 0; i < 10_000; i++) {
            rows.add(sheet("type" + i % 40, "feed" + i % 7, 100 + i % 250, 400 + i / 250, EVEN, MediaRow.ANY_THICKNESS));
        }
        List<Constraint> constraints = new ArrayList<>();
        for (int i = 0; i < 500; i++) {
            constraints.add(new Constraint("", Map.of("vendor" + i, ValueSet.keywords("a"), "print-quality", ValueSet.enums(3))));
        }
        PrinterDescription huge = new PrinterDescription("", rows, SUPPORTED, Map.of(), constraints, List.of(), List.of(360), List.of(),
            List.of(), List.of(), Optional.empty(), Map.of());
        PrinterRules rules = new PrinterRules(huge);
        assertThat(rules.check(new JobRequest(Map.of(), 100, 400, false, false, 0))).isEmpty();
        assertThat(rules.check(new JobRequest(Map.of("print-quality", "3", "vendor7", "a"), 100, 400, false, false, 0))).hasSize(1);
        assertThat(
            rules.way(new JobRequest(Map.of("print-quality", "3", "vendor7", "a"), 100, 400, false, false, 0), Set.of("print-quality")))
            .isEmpty();
    }
}
