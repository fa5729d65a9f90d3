package wistel.server.docket;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.DocketSpec.SizeSpec;
import wistel.core.docket.Finding;
import wistel.core.docket.Preflight;
import wistel.core.docket.PreflightFacts;
import wistel.core.docket.Readback;
import wistel.core.docket.Track;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.length.Length;
import wistel.core.length.Ppi;
import wistel.core.paper.Pairing;
import wistel.core.paper.SheetSize;
import wistel.core.printer.Capabilities;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Placement;
import wistel.server.docket.DocketView.Choice;
import wistel.server.docket.DocketView.Options;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PreviewStore;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.AttemptRepository;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;

/** Puts together what core needs to judge a docket, and what a screen shows of it. */
@Service
public class DocketService {
    private static final double LARGEST_FRAME_MM = 5000;

    private final DocketRepository dockets;
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final AttemptRepository attempts;
    private final PreviewStore previews;

    public DocketService(DocketRepository dockets, MasterRepository masters, PairingRepository pairings, PrinterRepository printers,
                      AttemptRepository attempts, PreviewStore previews) {
        this.dockets = dockets;
        this.masters = masters;
        this.pairings = pairings;
        this.printers = printers;
        this.attempts = attempts;
        this.previews = previews;
    }

    public DocketView view(UUID id) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.decisions();
        Master master = masters.get(row.masterId());
        PreflightFacts s = facts(d, master);
        Placement placement = Preflight.place(d, s);
        List<Finding> findings = Preflight.findings(d, s);
        int longest = Math.max(master.width(), master.height());
        return new DocketView(id, row.number(), row.version(), row.canUndo(), row.canRedo(), d, master, s.sourceName(), s.pairing(), placement,
            Ppi.label(placement.ppi(), d.size().viewingMm()),
            new DocketView.Reach(Ppi.longestMm(longest, Ppi.Label.FINE), Ppi.longestMm(longest, Ppi.Label.GOOD), Ppi.longestMm(longest, Ppi.Label.FAIR)),
            Track.of(d, s, findings), findings, Readback.of(d, s), options(s));
    }

    public PreflightFacts facts(DocketSpec d, Master master) {
        Optional<Pairing> pairing = pairings.find(d.pairingId());
        Optional<Printer> printer = pairing.map(p -> printers.get(UUID.fromString(p.printerId())));
        return new PreflightFacts(master.width(), master.height(), master.channels(), master.profileHash().isPresent(), master.profileProblem(),
            previews.profile(master).description(), pairing, printer.flatMap(Printer::capabilities), printer.map(Printer::away).orElse(false),
            pairing.map(p -> attempts.secondsPerM2(p.id())).orElse(0.0));
    }

    private static Options options(PreflightFacts s) {
        Optional<Capabilities> printer = s.printer();
        List<SheetSize> sheets = SheetSize.KNOWN.stream()
            .filter(k -> printer.isEmpty() || printer.get().media().stream().anyMatch(m -> m.fits(k.widthMm(), k.heightMm()))).toList();
        return new Options(
            sheets.stream().map(k -> new Choice(k.name(), k.name() + ", " + Length.mm(k.widthMm()) + " × " + Length.mm(k.heightMm()) + " mm")).toList(),
            printer.map(p -> p.mediaTypes().stream().map(t -> new Choice(t, Keywords.words(t))).toList()).orElse(List.of()),
            printer.map(p -> p.feeds().stream().map(f -> new Choice(f, Keywords.feed(f).replaceFirst("^the ", ""))).toList()).orElse(List.of()),
            printer.map(p -> p.qualities().stream().map(q -> new Choice(q.toString(), Keywords.quality(q))).toList()).orElse(List.of()));
    }

    /** Checks what only the server can: that the numbers are sane before they are kept. */
    public void decide(UUID id, int version, DocketSpec next) {
        SizeSpec z = next.size();
        boolean sane = z.widthMm() >= 5 && z.heightMm() >= 5 && z.widthMm() <= LARGEST_FRAME_MM && z.heightMm() <= LARGEST_FRAME_MM
            && z.resamplePpi() >= 30 && z.resamplePpi() <= 2880 && next.copies() >= 1 && next.copies() <= 99 && z.viewingMm() >= 0
            && next.title().length() <= 200 && next.notes().length() <= 4000;
        if (!sane) {
            throw new InvalidRequest("out-of-range", "A number is out of its range: pictures from 5 mm to 5 m, 1 to 99 copies.", "Enter another one.");
        }
        dockets.decide(id, version, next.title().isBlank() ? next.withTitle("Untitled") : next);
    }

    /** One length or the ppi is given; the others follow from the picture. */
    public void resize(UUID id, int version, String width, String height, String ppi) {
        DocketRepository.Row row = dockets.get(id);
        Master master = masters.get(row.masterId());
        SizeSpec z = row.decisions().size();
        double aspect = (double) master.width() / master.height();
        double w = z.widthMm();
        double h = z.heightMm();
        boolean whole = z.fit() == DocketSpec.Fit.WHOLE;
        if (!width.isBlank()) {
            w = Length.parseMm(width, Length.Unit.MM);
            h = whole ? w / aspect : h;
        } else if (!height.isBlank()) {
            h = Length.parseMm(height, Length.Unit.MM);
            w = whole ? h * aspect : w;
        } else {
            double wanted = number(ppi);
            double now = Preflight.place(row.decisions(), facts(row.decisions(), master)).ppi();
            w = w * now / wanted;
            h = h * now / wanted;
        }
        decide(id, version, row.decisions().withSize(z.withFrame(w, h)));
    }

    private static double number(String ppi) {
        try {
            double v = Double.parseDouble(ppi.replace(',', '.').replaceAll("\\s*ppi\\s*$", "").trim());
            if (v >= 10 && v <= 10_000) {
                return v;
            }
        } catch (NumberFormatException e) {
            // told below
        }
        throw new InvalidRequest("ppi-unclear", "'" + ppi + "' is not a number of pixels per inch.", "Write a number from 10 to 10000.");
    }

    public void choosePairing(UUID id, int version, String pairingId) {
        Pairing pairing = pairings.find(pairingId).orElseThrow(() -> new NotFound("There is no such pairing.", "Choose another one."));
        dockets.decide(id, version, dockets.get(id).decisions().withPairing(pairing));
    }

    /** A fresh docket for a master, titled after its file. */
    public UUID open(Master master) {
        String stem = master.fileName().replaceFirst("\\.[^.]{1,5}$", "").replace('_', ' ').replace('-', ' ').strip();
        String title = stem.isEmpty() ? "Untitled" : Character.toUpperCase(stem.charAt(0)) + stem.substring(1);
        return dockets.add(master.id(), DocketSpec.fresh(title, master.width(), master.height()));
    }
}
