package wistel.server.docket;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import wistel.core.docket.Change;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.Finding;
import wistel.core.docket.Preflight;
import wistel.core.docket.PreflightFacts;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.Readback;
import wistel.core.docket.Resolution;
import wistel.core.docket.Track;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.BlackPoint;
import wistel.core.length.Length;
import wistel.core.length.Ppi;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Single;
import wistel.server.docket.DocketView.Choice;
import wistel.server.docket.DocketView.OnDocket;
import wistel.server.docket.DocketView.Options;
import wistel.server.docket.DocketView.Printed;
import wistel.server.docket.DocketView.Reach;
import wistel.server.docket.DocketView.SheetChoice;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.pairing.PairingRepository;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.ProfileRepository;

/** Puts together what core needs to judge dockets, one or a whole bench of them, and what a screen shows of one. */
@Service
public class DocketService {
    public static final String FIRST_RENDITION = "r1";

    private final DocketRepository dockets;
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final PrintTimes times;
    private final ProfileRepository profiles;
    private final Map<String, Set<Intent>> blackAlways = new ConcurrentHashMap<>();

    public DocketService(DocketRepository dockets, MasterRepository masters, PairingRepository pairings, PrinterRepository printers,
                         PrintTimes times, ProfileRepository profiles) {
        this.dockets = dockets;
        this.masters = masters;
        this.pairings = pairings;
        this.printers = printers;
        this.times = times;
        this.profiles = profiles;
    }

    /** A docket with what it is judged against. */
    public record Judged(DocketRepository.Row row, PreflightFacts facts, Layout layout, List<PrintOrder.Master> masters, Optional<Printer> printer) {
        public List<Finding> findings() {
            return Preflight.findings(row.spec(), facts, layout);
        }

        public String descriptionHash() {
            return printer.map(Printer::descriptionHash).orElse("");
        }
    }

    public Judged judged(DocketRepository.Row row) {
        return judged(List.of(row)).get(0);
    }

    /** Many at once: what they share is asked of the database once. */
    public List<Judged> judged(List<DocketRepository.Row> rows) {
        Set<String> hashes = rows.stream().flatMap(r -> r.spec().renditions().stream()).map(Rendition::masterHash).collect(Collectors.toSet());
        Map<String, MasterRepository.Brief> briefs = masters.briefs(hashes);
        Map<String, PairingVersion> known = pairingsOf(rows);
        Map<String, Printer> printersById = new HashMap<>();
        known.values().stream().map(PairingVersion::printerId).distinct().forEach(id -> printersById.put(id, printers.get(UUID.fromString(id))));
        Map<String, Double> seconds = times.secondsPerM2();
        return rows.stream().map(row -> judged(row, briefs, row.spec().pairingId().map(known::get), printersById, seconds)).toList();
    }

    private Map<String, PairingVersion> pairingsOf(Collection<DocketRepository.Row> rows) {
        Map<String, PairingVersion> known = new HashMap<>();
        pairings.all().forEach(p -> known.put(p.pairingId(), p));
        // dockets may still stand on a retired one
        rows.stream().flatMap(r -> r.spec().pairingId().stream()).distinct().filter(id -> !known.containsKey(id))
            .forEach(id -> pairings.find(id).ifPresent(p -> known.put(id, p)));
        return known;
    }

    private Judged judged(DocketRepository.Row row, Map<String, MasterRepository.Brief> briefs, Optional<PairingVersion> pairing, Map<String, Printer> printersById,
                          Map<String, Double> seconds) {
        DocketSpec d = row.spec();
        Map<String, PreflightFacts.Picture> pictures = new HashMap<>();
        List<PrintOrder.Master> used = d.renditions().stream().map(r -> {
            MasterRepository.Brief m = briefs.get(r.masterHash());
            pictures.put(r.id(), new PreflightFacts.Picture(new PixelSize(m.width(), m.height()), m.channels(), m.profileHash().isPresent(), m.profileProblem(), sourceName(m)));
            return new PrintOrder.Master(r.id(), m.hash(), m.profileHash().orElseGet(() -> StandardSpaces.assumedFor(m.channels()).hash()));
        }).toList();
        Optional<Printer> printer = pairing.map(p -> printersById.get(p.printerId()));
        PreflightFacts facts = new PreflightFacts(pictures, pairing, printer.flatMap(Printer::description), printer.map(Printer::state).orElse(PrinterState.AWAY),
            pairing.map(p -> blackAlways(p.profileHash())).orElse(Set.of()), pairing.isPresent() && row.seen().contains(d.proofKey(pairing.get())),
            pairing.map(p -> seconds.getOrDefault(p.pairingId(), 0.0)).orElse(0.0));
        return new Judged(row, facts, facts.layout(d), used, printer);
    }

    private static String sourceName(MasterRepository.Brief m) {
        return m.profileHash().isPresent() ? m.profileName() : StandardSpaces.assumedFor(m.channels()).description();
    }

    private Set<Intent> blackAlways(String profileHash) {
        return blackAlways.computeIfAbsent(profileHash, hash -> BlackPoint.always(profiles.get(hash)));
    }

    public DocketView view(UUID id) {
        DocketRepository.Row row = dockets.get(id);
        Judged judged = judged(row);
        DocketSpec d = row.spec();
        Layout layout = judged.layout;
        List<Finding> findings = judged.findings();
        double paper = layout.pages().stream().mapToDouble(Page::areaMm2).sum();
        return new DocketView(id, row.number(), row.version(), row.undo(), row.redo(), d, d.renditions().stream().map(r -> onDocket(r, judged)).toList(),
            judged.facts.pairing(), layout, layout.bareMm2() / paper,
            Track.of(d, judged.facts, layout, findings), findings, Readback.of(d, judged.facts, layout), options(judged.facts.printer()));
    }

    private OnDocket onDocket(Rendition rendition, Judged judged) {
        Master master = masters.byHash(rendition.masterHash()).orElseThrow();
        Resolution resolution = judged.row.spec().resolution();
        List<Printed> printed = judged.layout.placed().stream().filter(p -> p.renditionId().equals(rendition.id())).map(p -> new Printed(p.ppi(),
            Ppi.label(p.ppi(), resolution.viewingMm()), judged.facts.printer().map(d -> d.inputDpi(Math.min(p.ppi(), resolution.mostPpi()))).orElse(0))).toList();
        int longest = Math.max(master.width(), master.height());
        Reach reach = new Reach(Ppi.longestMm(longest, Ppi.Label.FINE), Ppi.longestMm(longest, Ppi.Label.GOOD), Ppi.longestMm(longest, Ppi.Label.FAIR));
        return new OnDocket(rendition.id(), master, judged.facts.pictures().get(rendition.id()).sourceName(), reach, printed);
    }

    private static Options options(Optional<PrinterDescription> printer) {
        List<SheetSize> sheets = SheetSize.KNOWN.stream().filter(k -> printer.isEmpty() || printer.get().offersSheet(k.widthMm(), k.heightMm())).toList();
        return new Options(
            sheets.stream().map(k -> new SheetChoice(Stock.Sheet.of(k), k.name() + ", " + Length.mm(k.widthMm()) + " × " + Length.mm(k.heightMm()) + " mm")).toList(),
            printer.map(p -> p.mediaTypes().stream().map(t -> new Choice(t, Keywords.words(t))).toList()).orElse(List.of()),
            printer.map(p -> p.feeds().stream().map(f -> new Choice(f, Keywords.feedName(f))).toList()).orElse(List.of()),
            printer.map(p -> p.qualities().stream().map(q -> new Choice(q.toString(), Keywords.quality(q))).toList()).orElse(List.of()));
    }

    public void change(UUID id, int version, Change change) {
        dockets.change(id, version, change);
    }

    /** One length or the ppi is given; the others follow from the picture. */
    public void resize(UUID id, int version, String width, String height, String ppi) {
        DocketRepository.Row row = dockets.get(id);
        Single plan = row.spec().single();
        Judged judged = judged(row);
        Placed placed = judged.layout.placed().get(0);
        PixelSize picture = judged.facts.pictures().get(plan.renditionId()).size();
        double aspect = (double) picture.width() / picture.height();
        double w = plan.widthMm();
        double h = plan.heightMm();
        boolean whole = plan.fit() == Single.Fit.WHOLE;
        if (!width.isBlank()) {
            w = Length.parseMm(width, Length.Unit.MM);
            h = whole ? w / aspect : h;
        } else if (!height.isBlank()) {
            h = Length.parseMm(height, Length.Unit.MM);
            w = whole ? h * aspect : w;
        } else {
            double factor = placed.ppi() / number(ppi);
            w *= factor;
            h *= factor;
        }
        change(id, version, new Change.Framed(w, h));
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
        throw new InvalidRequest(InvalidRequest.Reason.PPI_UNCLEAR, "'" + ppi + "' is not a number of pixels per inch.", "Write a number from 10 to 10000.");
    }

    public void choosePairing(UUID id, int version, String pairingId) {
        change(id, version, new Change.Paired(pairings.find(pairingId).orElseThrow(() -> new NotFound("There is no such pairing.", "Choose another one."))));
    }

    /** Keeps that the proof as it stands now was looked at; without a pairing there is none. */
    public void see(UUID id) {
        DocketSpec d = dockets.get(id).spec();
        d.pairingId().flatMap(pairings::find).ifPresent(p -> dockets.see(id, d.proofKey(p)));
    }

    /** A fresh docket for a master, titled after its file. */
    public UUID open(Master master) {
        String stem = master.fileName().replaceFirst("\\.[^.]{1,5}$", "").replace('_', ' ').replace('-', ' ').strip();
        String title = stem.isEmpty() ? "Untitled" : Character.toUpperCase(stem.charAt(0)) + stem.substring(1);
        Rendition rendition = Rendition.of(FIRST_RENDITION, master.hash());
        return dockets.add(DocketSpec.fresh(title, rendition, new PixelSize(master.width(), master.height())), Map.of(rendition.id(), master.id()));
    }
}
