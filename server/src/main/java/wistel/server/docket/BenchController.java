package wistel.server.docket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.StageStatus;
import wistel.core.docket.StageStatus.Mark;
import wistel.core.paper.Pairing;
import wistel.core.printer.Capabilities;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Placement;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;

/** The bench: open dockets grouped by the paper that each needs, so that one loading serves a group. */
@RestController
class BenchController {
    private final DocketRepository dockets;
    private final DocketService docketService;
    private final AttemptRepository attempts;
    private final PrinterRepository printers;

    BenchController(DocketRepository dockets, DocketService docketService, AttemptRepository attempts, PrinterRepository printers) {
        this.dockets = dockets;
        this.docketService = docketService;
        this.attempts = attempts;
        this.printers = printers;
    }

    /**
     * @param mark where it stands: the first station that is not settled
     * @param line that in words
     */
    record OnBench(UUID id, int number, int version, String title, UUID masterId, Placement placement, double[] paperLab, Mark mark, String line) {
    }

    /** @param note where the paper is loaded, or that it is not */
    record Group(String paper, String note, List<OnBench> dockets) {
    }

    @GetMapping("/api/bench")
    List<Group> bench() {
        Map<String, Group> groups = new LinkedHashMap<>();
        List<Attempt> running = attempts.running();
        for (DocketRepository.Row row : dockets.onBench()) {
            DocketView view = docketService.view(row.id());
            String sheet = view.decisions().size().sheet();
            String key = view.pairing().map(p -> p.paper() + ", " + sheet).orElse("Paper not chosen yet");
            groups.computeIfAbsent(key, k -> new Group(k, view.pairing().map(p -> note(p, view)).orElse("open a docket and choose its paper"), new ArrayList<>()))
                .dockets.add(onBench(view, running.stream().filter(a -> a.docketId().equals(row.id())).findFirst()));
        }
        List<Group> ordered = new ArrayList<>(groups.values());
        ordered.sort(java.util.Comparator.comparing((Group g) -> g.paper.startsWith("Paper not")).thenComparing(Group::paper));
        return ordered;
    }

    private String note(Pairing pairing, DocketView view) {
        Printer printer = printers.get(UUID.fromString(pairing.printerId()));
        String feed = Keywords.feed(view.decisions().machine().feed());
        if (printer.away()) {
            return printer.name() + " doesn't answer";
        }
        Placement p = view.placement();
        double shorter = Math.min(p.sheetWidthMm(), p.sheetHeightMm());
        double longer = Math.max(p.sheetWidthMm(), p.sheetHeightMm());
        boolean loaded = printer.capabilities().map(Capabilities::loaded).orElse(List.of()).stream()
            .anyMatch(m -> m.type().equals(pairing.mediaType()) && m.feed().equals(view.decisions().machine().feed()) && m.fits(shorter, longer));
        return loaded ? "in " + feed + " of " + printer.name() + " now" : "not loaded; goes into " + feed + " of " + printer.name();
    }

    private static OnBench onBench(DocketView v, Optional<Attempt> running) {
        StageStatus status = v.track().stream().filter(t -> t.mark() != Mark.SETTLED).findFirst().orElse(v.track().get(v.track().size() - 1));
        String station = status.station().name().charAt(0) + status.station().name().substring(1).toLowerCase(java.util.Locale.ROOT);
        String line = running.map(a -> a.words()).orElse(station + " · " + status.outcome());
        return new OnBench(v.id(), v.number(), v.version(), v.decisions().title(), v.master().id(), v.placement(),
            v.pairing().map(Pairing::whiteLab).orElse(new double[] {97, 0, 0}), running.isPresent() ? Mark.LOOK : status.mark(), line);
    }
}
