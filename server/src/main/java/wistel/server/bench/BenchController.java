package wistel.server.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.costs.Costs;
import wistel.core.docket.findings.StageStatus.Mark;
import wistel.core.docket.findings.StageStatus;
import wistel.core.docket.findings.StageTrack;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.PrinterDescription;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Page;
import wistel.core.sheet.SheetPlan;
import wistel.server.check.CheckInterval;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.printer.Printer;

/** The bench: open dockets grouped by the paper that each needs, so that one loading serves a group. */
@RestController
class BenchController {
    private static final List<Double> UNKNOWN_PAPER = List.of(97.0, 0.0, 0.0);

    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final AttemptRepository attempts;
    private final CheckInterval checks;

    BenchController(DocketRepository dockets, DocketAssessor assessor, AttemptRepository attempts, CheckInterval checks) {
        this.dockets = dockets;
        this.assessor = assessor;
        this.attempts = attempts;
        this.checks = checks;
    }

    /** A rendition with the upright size of its master, in pixels, and how it is seen. */
    record Lying(String renditionId, String masterHash, int width, int height, Treatment treatment) {
    }

    /**
     * @param pages what will be laid down
     * @param mark  where it stands: the first stage that is not settled
     * @param line  that in words
     * @param joins it can be printed together with others of its pairing
     */
    record OnBench(UUID id, int number, int version, String title, List<Lying> pictures, List<Page> pages, List<Double> paperLab, Mark mark,
        String line, Optional<String> pairingId, boolean joins) {
    }

    /**
     * @param note  where the paper is loaded, or that it is not
     * @param takes what one loading serves: prints and their time; empty where no paper is chosen
     * @param due   that its paper should be checked; empty while it need not
     */
    record Group(String paper, String note, String takes, Optional<Due> due, List<OnBench> dockets) {
    }

    /** @param days since it was checked; empty of a paper that never was */
    record Due(String pairingId, Optional<Long> days) {
    }

    /** Dockets that one loading serves, as they are gathered. */
    private static final class Gathered {
        private final Optional<PairingVersion> pairing;
        private final String paper;
        private final String note;
        private final List<OnBench> dockets = new ArrayList<>();
        private double prints;
        private double seconds;

        private Gathered(DocketAssessment first) {
            pairing = first.facts().pairing();
            paper = pairing.map(p -> p.paper() + ", " + first.row().spec().stock().name()).orElse("Paper not chosen yet");
            note = pairing.map(p -> note(p, first)).orElse("open a docket and choose its paper");
        }

        private void add(DocketAssessment docket, Optional<Attempt> running) {
            DocketSpec d = docket.row().spec();
            dockets.add(onBench(docket, running));
            prints += docket.layout().pages().size() * d.copiesByPrinter();
            seconds += Costs.laying(d, docket.facts(), docket.layout());
        }

        private Optional<UUID> pairingId() {
            return pairing.map(p -> UUID.fromString(p.pairingId()));
        }

        private Group group(Map<UUID, Optional<Long>> due) {
            return new Group(paper, note, pairing.isEmpty() ? "" : takes(prints, seconds),
                pairingId().filter(due::containsKey).map(id -> new Due(id.toString(), due.get(id))),
                dockets);
        }
    }

    /** What one loading of paper serves: a stock of a pairing's paper in its printer. */
    private record Loading(Optional<String> paper, Optional<String> printer, Optional<String> stock) {
        static Loading of(DocketAssessment docket) {
            Optional<PairingVersion> pairing = docket.facts().pairing();
            return new Loading(pairing.map(PairingVersion::paper), pairing.map(PairingVersion::printerId),
                pairing.map(p -> docket.row().spec().stock().name()));
        }
    }

    @GetMapping("/api/bench")
    List<Group> bench() {
        Map<UUID, Attempt> running = new HashMap<>();
        attempts.running().forEach(a -> running.put(a.docketId(), a));
        DocketRepository.OnBench onBench = dockets.onBench();
        List<Integer> unreadable = new ArrayList<>(onBench.unreadable());
        List<DocketAssessment> all = assessor.assess(onBench.rows());
        Set<UUID> assessed = all.stream().map(j -> j.row().id()).collect(Collectors.toSet());
        onBench.rows().stream().filter(r -> !assessed.contains(r.id())).forEach(r -> unreadable.add(r.number()));
        Map<Loading, Gathered> groups = new LinkedHashMap<>();
        all.forEach(docket -> groups.computeIfAbsent(Loading.of(docket), k -> new Gathered(docket)).add(docket,
            Optional.ofNullable(running.get(docket.row().id()))));
        Map<UUID, Optional<Long>> due = checks.due(groups.values().stream().map(Gathered::pairingId).flatMap(Optional::stream).toList());
        List<Group> ordered = new ArrayList<>(groups.values().stream()
            .sorted(Comparator.comparing((Gathered g) -> g.pairing.isEmpty()).thenComparing(g -> g.paper)).map(g -> g.group(due)).toList());
        if (!unreadable.isEmpty()) {
            String numbers = unreadable.stream().sorted().map(String::valueOf).collect(Collectors.joining(", "));
            ordered.add(new Group("Docket " + numbers + " can't be read",
                "it is kept as it was written: by another version of Wistel, or damaged since", "", Optional.empty(), List.of()));
        }
        return ordered;
    }

    /** Prints and seconds in words. */
    private static String takes(double prints, double seconds) {
        String counted = prints == 1 ? "one print" : Math.round(prints) + " prints";
        return seconds == 0 ? counted
            : counted + ", about " + (seconds < 90 ? Math.round(seconds) + " s" : Math.round(seconds / 60) + " min");
    }

    private static String note(PairingVersion pairing, DocketAssessment judged) {
        if (judged.printer().isEmpty()) {
            return "nothing is known of its printer";
        }
        Printer printer = judged.printer().get();
        DocketSpec d = judged.row().spec();
        String feed = printer.description().orElse(PrinterDescription.UNKNOWN).feed(d.settings().feed());
        if (printer.away()) {
            return printer.name() + " doesn't answer";
        }
        Page page = judged.layout().pages().get(0);
        boolean loaded = printer.state().loaded().stream()
            .anyMatch(m -> m.type().equals(pairing.settings().mediaType()) && m.feed().equals(d.settings().feed())
                && m.fits(page.fedWidthMm(), page.fedHeightMm()));
        return loaded ? "in " + feed + " of " + printer.name() + " now" : "not loaded; goes into " + feed + " of " + printer.name();
    }

    private static Lying lying(Rendition r, DocketAssessment judged) {
        SheetPlan.PixelSize size = judged.facts().pictures().get(r.id()).size();
        return new Lying(r.id(), r.masterHash(), size.width(), size.height(), r.treatment());
    }

    private static OnBench onBench(DocketAssessment judged, Optional<Attempt> running) {
        DocketSpec d = judged.row().spec();
        List<StageStatus> track = StageTrack.of(d, judged.facts(), judged.layout(), judged.findings());
        StageStatus status = track.stream().filter(t -> t.mark() != Mark.SETTLED).findFirst().orElse(track.get(track.size() - 1));
        String stage = status.stage().name().charAt(0) + status.stage().name().substring(1).toLowerCase(Locale.ROOT);
        String line = running.map(Attempt::words).orElse(stage + " · " + status.outcome());
        return new OnBench(judged.row().id(), judged.row().number(), judged.row().version(), d.title(),
            d.renditions().stream().map(r -> lying(r, judged)).toList(), judged.layout().pages(),
            judged.facts().pairing().map(PairingVersion::whiteLab).orElse(UNKNOWN_PAPER), running.isPresent() ? Mark.LOOK : status.mark(),
            line, d.pairingId(), d.plan().frames() && judged.facts().pairing().isPresent());
    }
}
