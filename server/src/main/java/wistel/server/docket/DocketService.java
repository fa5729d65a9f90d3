package wistel.server.docket;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.Change;
import wistel.core.docket.Command;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.Finding;
import wistel.core.docket.MachineCommand;
import wistel.core.docket.PieceCommand;
import wistel.core.docket.Preflight;
import wistel.core.docket.PictureCommand;
import wistel.core.docket.PreflightFacts;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.Readback;
import wistel.core.docket.Resolution;
import wistel.core.docket.SettingChoices;
import wistel.core.docket.SheetCommand;
import wistel.core.docket.Track;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.fault.RecordException;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.BlackPoint;
import wistel.core.length.Length;
import wistel.core.length.Ppi;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.pictures.DetailMap;
import wistel.core.pictures.SideFill;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.CompensationRef;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Single;
import wistel.core.sheet.SinglePiece;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapPiece;
import wistel.core.tone.KeptCurve;
import wistel.core.tone.ToneMode;
import wistel.server.docket.DocketView.Borderless;
import wistel.server.docket.DocketView.OnDocket;
import wistel.server.docket.DocketView.Options;
import wistel.server.docket.DocketView.Printed;
import wistel.server.docket.DocketView.Reach;
import wistel.server.docket.DocketView.StockChoice;
import wistel.server.compensation.CompensationRepository;
import wistel.server.master.Master;
import wistel.server.master.MasterImport;
import wistel.server.master.MasterRepository;
import wistel.server.master.PictureDetails;
import wistel.server.pairing.PairingRepository;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.ProfileRepository;
import wistel.server.store.RecordRepository;

/** Puts together what core needs to judge dockets, one or a whole bench of them, and what a screen shows of one. */
@Service
public class DocketService {
    public static final String FIRST_RENDITION = "r1";
    /** A few words each. */
    private static final int MOST_PROFILES = 1000;

    private final DocketRepository dockets;
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final PrintHistory history;
    private final OwnSheetRepository ownSheets;
    private final CompensationRepository compensations;
    private final ProfileRepository profiles;
    private final PictureDetails details;
    private final RecordRepository records;
    private final ProofKeys proofKeys;
    private final Clock clock;
    private final Cache<String, Set<Intent>> blackAlways = Caffeine.newBuilder().maximumSize(MOST_PROFILES).build();

    public DocketService(DocketRepository dockets, MasterRepository masters, PairingRepository pairings, PrinterRepository printers,
                         PrintHistory history, OwnSheetRepository ownSheets, CompensationRepository compensations, ProfileRepository profiles, PictureDetails details, RecordRepository records, ProofKeys proofKeys, Clock clock) {
        this.proofKeys = proofKeys;
        this.records = records;
        this.details = details;
        this.dockets = dockets;
        this.masters = masters;
        this.pairings = pairings;
        this.printers = printers;
        this.history = history;
        this.ownSheets = ownSheets;
        this.compensations = compensations;
        this.profiles = profiles;
        this.clock = clock;
    }

    /**
     * A docket with what it is judged against.
     *
     * @param proofKey names its proof; empty without a paper
     */
    public record Judged(DocketRepository.Row row, PreflightFacts facts, Layout layout, List<PrintOrder.Master> masters, Optional<Printer> printer, Optional<String> proofKey) {
        public List<Finding> findings() {
            return Preflight.findings(row.spec(), facts, layout);
        }

        public String descriptionHash() {
            return printer.map(Printer::descriptionHash).orElse("");
        }
    }

    /** @throws RecordException when a record that it needs is damaged */
    public Judged judged(DocketRepository.Row row) {
        return judging(List.of(row)).apply(row);
    }

    /** Many at once, those left out that need a damaged record: what they share is asked of the database once. */
    public List<Judged> judged(List<DocketRepository.Row> rows) {
        Function<DocketRepository.Row, Judged> judging = judging(rows);
        return rows.stream().flatMap(row -> records.readable("docket " + row.number(), () -> judging.apply(row)).stream()).toList();
    }

    private Function<DocketRepository.Row, Judged> judging(List<DocketRepository.Row> rows) {
        Set<String> hashes = rows.stream().flatMap(r -> r.spec().renditions().stream()).map(Rendition::masterHash).collect(Collectors.toSet());
        Map<String, MasterRepository.Brief> briefs = masters.briefs(hashes);
        Map<String, PairingVersion> known = pairingsOf(rows);
        Map<String, Printer> printersById = new HashMap<>();
        known.values().stream().map(PairingVersion::printerId).distinct().forEach(id -> records.unlessDamaged(() -> Optional.of(printers.get(UUID.fromString(id)))).ifPresent(p -> printersById.put(id, p)));
        Map<String, Double> seconds = history.secondsPerM2();
        Map<String, Integer> editions = history.nextEditions(rows.stream().flatMap(r -> r.spec().items().stream().filter(i -> i.annotation().numbered()).map(i -> PrintHistory.work(r.id(), i.id()))).toList());
        LocalDate today = LocalDate.now(clock);
        return row -> judged(row, briefs, row.spec().pairingId().map(known::get), printersById, new History(seconds, today, editions));
    }

    private record History(Map<String, Double> seconds, LocalDate today, Map<String, Integer> editions) {
    }

    private Map<String, PairingVersion> pairingsOf(Collection<DocketRepository.Row> rows) {
        Map<String, PairingVersion> known = new HashMap<>();
        pairings.all().forEach(p -> known.put(p.pairingId(), p));
        // dockets may still stand on a retired one
        rows.stream().flatMap(r -> r.spec().pairingId().stream()).distinct().filter(id -> !known.containsKey(id))
            .forEach(id -> records.unlessDamaged(() -> pairings.find(id)).ifPresent(p -> known.put(id, p)));
        return known;
    }

    private Judged judged(DocketRepository.Row row, Map<String, MasterRepository.Brief> briefs, Optional<PairingVersion> pairing, Map<String, Printer> printersById,
                          History past) {
        DocketSpec d = row.spec();
        Map<String, PreflightFacts.Picture> pictures = new HashMap<>();
        List<PrintOrder.Master> used = d.renditions().stream().map(r -> {
            MasterRepository.Brief m = Optional.ofNullable(briefs.get(r.masterHash()))
                .orElseThrow(() -> records.damaged("docket " + row.number(), new IllegalArgumentException("its picture " + r.masterHash() + " isn't there")));
            Optional<DetailMap> detail = Plans.wrap(d.plan()).isPresent() ? details.of(m.hash()) : Optional.empty();
            pictures.put(r.id(), new PreflightFacts.Picture(new PixelSize(m.width(), m.height()), m.channels(), m.profileHash().isPresent(), m.profileProblem(), sourceName(m), detail));
            return new PrintOrder.Master(r.id(), m.hash(), m.profileHash().orElseGet(() -> StandardSpaces.assumedFor(m.channels()).hash()));
        }).toList();
        Optional<Printer> printer = pairing.map(p -> printersById.get(p.printerId()));
        Optional<String> key = pairing.map(p -> proofKeys.key(d, p, used, pictures, curve(d, p, printer)));
        PreflightFacts facts = new PreflightFacts(pictures, pairing, printer.flatMap(Printer::description), printer.map(Printer::state).orElse(PrinterState.AWAY),
            pairing.map(p -> blackAlways(p.profileHash())).orElse(Set.of()), key.filter(row.seen()::contains).isPresent(),
            pairing.map(p -> past.seconds.getOrDefault(p.pairingId(), 0.0)).orElse(0.0), past.today, editions(row, past.editions));
        return new Judged(row, facts, facts.layout(d), used, printer, key);
    }

    private static Map<String, Integer> editions(DocketRepository.Row row, Map<String, Integer> byWork) {
        return row.spec().items().stream().filter(i -> byWork.containsKey(PrintHistory.work(row.id(), i.id()))).collect(Collectors.toMap(Item::id, i -> byWork.get(PrintHistory.work(row.id(), i.id()))));
    }

    private static Optional<KeptCurve> curve(DocketSpec d, PairingVersion pairing, Optional<Printer> printer) {
        return KeptCurve.of(pairing.curves(), ToneMode.of(d.route(), d.settings(), printer.flatMap(Printer::description).orElse(PrinterDescription.UNKNOWN)));
    }

    private static String sourceName(MasterRepository.Brief m) {
        return m.profileHash().isPresent() ? m.profileName() : StandardSpaces.assumedFor(m.channels()).description();
    }

    private Set<Intent> blackAlways(String profileHash) {
        Set<Intent> known = blackAlways.getIfPresent(profileHash);
        if (known != null) {
            return known;
        }
        // a docket whose profile is gone can't be proofed, but it is there
        Optional<Set<Intent>> found = records.readable("profile " + profileHash.substring(0, 8), () -> BlackPoint.always(profiles.get(profileHash)));
        found.ifPresent(intents -> blackAlways.put(profileHash, intents));
        return found.orElse(Set.of());
    }

    public DocketView view(UUID id) {
        DocketRepository.Row row = dockets.get(id);
        Judged judged = judged(row);
        DocketSpec d = row.spec();
        Layout layout = judged.layout;
        List<Finding> findings = judged.findings();
        double paper = layout.pages().stream().mapToDouble(Page::areaMm2).sum();
        return new DocketView(id, row.number(), row.version(), row.undo(), row.redo(), d, d.stock().name(), d.renditions().stream().map(r -> onDocket(r, judged)).toList(),
            judged.facts.pairing(), layout, layout.bareMm2() / paper,
            Track.of(d, judged.facts, layout, findings), findings, Readback.of(d, judged.facts, layout), options(d, judged),
            DocketView.Wrapped.of(d, judged.facts, layout));
    }

    private OnDocket onDocket(Rendition rendition, Judged judged) {
        Master master = masters.byHash(rendition.masterHash()).orElseThrow();
        Resolution resolution = judged.row.spec().resolution();
        List<Printed> printed = judged.layout.placed().stream().filter(p -> p.renditionId().equals(rendition.id())).map(p -> new Printed(p.ppi(),
            Ppi.label(p.ppi(), resolution.viewingMm(), judged.facts.neededPixels()), judged.facts.printer().map(d -> d.inputDpi(Math.min(p.ppi(), resolution.mostPpi()))).orElse(0))).toList();
        int longest = Math.max(master.width(), master.height());
        Reach reach = new Reach(Ppi.longestMm(longest, Ppi.Label.FINE), Ppi.longestMm(longest, Ppi.Label.GOOD), Ppi.longestMm(longest, Ppi.Label.FAIR));
        return new OnDocket(rendition.id(), master, judged.facts.pictures().get(rendition.id()).sourceName(), reach, printed, tones(rendition, judged));
    }

    private static Optional<DocketView.Tones> tones(Rendition r, Judged judged) {
        DocketSpec d = judged.row.spec();
        return judged.facts.tone(d, r).flatMap(key -> judged.facts.curve(d)
            .map(k -> new DocketView.Tones(key, k.wedge(), k.measured(), KeptCurve.isOn(key), Math.abs(k.curve().largestMove().sent()))));
    }

    private Options options(DocketSpec d, Judged judged) {
        PreflightFacts facts = judged.facts;
        Optional<PrinterDescription> printer = facts.printer();
        Placed placed = judged.layout.placed().get(0);
        double aspect = placed.crop().width() / placed.crop().height();
        Stream<StockChoice> known = SheetSize.KNOWN.stream().map(Stock.Sheet::of).map(s -> choice(d, facts, s, aspect, false));
        Stream<StockChoice> own = ownSheets.all().stream().map(s -> choice(d, facts, s, aspect, true));
        Stream<StockChoice> rolls = facts.rolls(d).stream().map(r -> choice(d, facts, r, aspect, false));
        List<StockChoice> stocks = Stream.of(known, own, rolls).flatMap(s -> s).filter(c -> printer.isEmpty() || c.feed().isPresent()).toList();
        return new Options(stocks, new Borderless(facts.offersBorderless(d), printer.map(PrinterDescription::overEdgesMm).orElse(List.of())),
            SettingChoices.of(d, facts));
    }

    private static StockChoice choice(DocketSpec d, PreflightFacts facts, Stock stock, double aspect, boolean own) {
        boolean fills = stock instanceof Stock.Sheet s
            && (Frame.sameShape(s.lengthMm() / s.widthMm(), aspect) || Frame.sameShape(s.widthMm() / s.lengthMm(), aspect));
        String label = stock instanceof Stock.Sheet s ? s.name() + ", " + Length.mm(s.widthMm()) + " × " + Length.mm(s.lengthMm()) + " mm" : stock.name() + ", " + Length.mm(stock.widthMm()) + " mm";
        boolean holds = d.plan().onStock(stock).fits(stock);
        return new StockChoice(stock, facts.feedFor(d, stock), label, fills, own, facts.loaded(d, stock), holds);
    }

    /** Makes a decision that came from outside: a compensation that it names is named only where these are its moves. */
    @Transactional
    public void decide(UUID id, int version, Command command) {
        Command checked = checked(command);
        boolean feeds = checked instanceof MachineCommand.Set set && set.setting().equals(DriverSettings.FEED);
        List<Command> along = feeds ? following(dockets.get(id), checked) : List.of();
        change(id, version, Command.of(Stream.concat(Stream.of(checked), along.stream()).toList()));
    }

    private Command checked(Command command) {
        if (command instanceof Command.Together together) {
            return new Command.Together(together.changes().stream().map(this::checked).toList());
        }
        if (command instanceof PictureCommand.Compensates c) {
            Optional<CompensationRef> kept = c.compensation().kept().flatMap(compensations::known).filter(k -> k.moves().equals(c.compensation().moves())).map(Compensation::ref);
            return new PictureCommand.Compensates(c.renditionId(), new Compensated(c.compensation().moves(), kept, c.compensation().on()));
        }
        return command;
    }

    public void change(UUID id, int version, Change change) {
        dockets.change(id, version, change instanceof PieceCommand.Fitted f && f.fit() == Frame.Fit.FILL ? filling(id, f) : change);
    }

    private Change filling(UUID id, PieceCommand.Fitted asked) {
        DocketRepository.Row row = dockets.get(id);
        if (Plans.single(row.spec().plan()).isEmpty()) {
            return asked;
        }
        SinglePiece piece = row.spec().single();
        SinglePiece filled = piece.filling(judged(row).facts.input(row.spec()));
        Frame frame = filled.item().frame();
        return filled.equals(piece.fitted(Frame.Fit.FILL)) ? asked : new PieceCommand.Filled(piece.item().id(), frame.widthMm(), frame.heightMm());
    }

    /** Lengths as a person typed them, with units; one of them, or all four borders, is given. */
    public record SizeAsked(Optional<String> width, Optional<String> height, Optional<String> ppi, Optional<String> left, Optional<String> top, Optional<String> right,
                            Optional<String> bottom, Optional<BordersAsked> borders) {
    }

    public record BordersAsked(String top, String right, String bottom, String left) {
    }

    /** The others follow from the picture. */
    public void resize(UUID id, int version, SizeAsked asked) {
        Judged judged = judged(dockets.get(id));
        SinglePiece plan = judged.row.spec().single();
        Page page = judged.layout.pages().get(0);
        Placed placed = page.placed().get(0);
        change(id, version, asked.borders.<Change>map(b -> new SheetCommand.Bordered(new Borders.Sides(mm(b.top), mm(b.right), mm(b.bottom), mm(b.left))))
            .or(() -> moved(asked, page, placed.atMm())).orElseGet(() -> sized(asked, plan, placed)));
    }

    /** A border of the picture's place: the picture keeps its size and moves, the border across from it takes up the rest. */
    private static Optional<Change> moved(SizeAsked asked, Page page, Rect at) {
        Optional<Double> x = asked.left.map(DocketService::mm).or(() -> asked.right.map(r -> page.widthMm() - mm(r) - at.width()));
        Optional<Double> y = asked.top.map(DocketService::mm).or(() -> asked.bottom.map(b -> page.heightMm() - mm(b) - at.height()));
        return x.isEmpty() && y.isEmpty() ? Optional.empty() : Optional.of(new SheetCommand.Laid(new Rect(x.orElse(at.x()), y.orElse(at.y()), at.width(), at.height())));
    }

    private static Change sized(SizeAsked asked, SinglePiece piece, Placed placed) {
        Rect at = placed.atMm();
        boolean whole = piece.item().frame().fit() == Frame.Fit.WHOLE;
        double aspect = at.width() / at.height();
        double w = at.width();
        double h = at.height();
        if (asked.width.isPresent()) {
            w = mm(asked.width.get());
            h = whole ? w / aspect : h;
        } else if (asked.height.isPresent()) {
            h = mm(asked.height.get());
            w = whole ? h * aspect : w;
        } else {
            double factor = placed.ppi() / number(asked.ppi.orElse(""));
            w *= factor;
            h *= factor;
        }
        // laid by hand it stays about its middle, else the borders place it
        return piece.plan().borders() instanceof Borders.Sides && w >= Frame.SMALLEST_MM && h >= Frame.SMALLEST_MM
            ? new SheetCommand.Laid(new Rect(at.x() + (at.width() - w) / 2, at.y() + (at.height() - h) / 2, w, h)) : new PieceCommand.Framed(piece.item().id(), w, h);
    }

    private static double mm(String written) {
        return Length.parseMm(written, Length.Unit.MM);
    }

    /** As large as can be printed. */
    public void enlarge(UUID id, int version) {
        DocketRepository.Row row = dockets.get(id);
        SinglePiece piece = row.spec().single();
        Frame largest = piece.largest(judged(row).facts.input(row.spec()));
        change(id, version, new PieceCommand.Framed(piece.item().id(), largest.widthMm(), largest.heightMm()));
    }

    /** A sheet cut to measure, with a name to find it again by where one is given. */
    public void cutSheet(UUID id, int version, String width, String length, String name) {
        double w = mm(width);
        double l = mm(length);
        Stock.Sheet sheet = new Stock.Sheet(name.isBlank() ? "sheet of " + Length.mm(Math.min(w, l)) + " × " + Length.mm(Math.max(w, l)) : name.strip(), Math.min(w, l), Math.max(w, l));
        Judged judged = judged(dockets.get(id));
        change(id, version, new SheetCommand.Stocked(sheet, judged.facts.feedFor(judged.row.spec(), sheet)));
        if (!name.isBlank()) {
            ownSheets.keep(sheet);
        }
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
        PairingVersion pairing = pairings.find(pairingId).orElseThrow(() -> new NotFound("There is no such pairing.", "Choose another one."));
        Optional<Compensated> usual = compensations.usual(UUID.fromString(pairing.pairingId())).map(c -> new Compensated(c.moves(), Optional.of(c.ref()), true));
        DocketRepository.Row row = dockets.get(id);
        Change.Paired paired = new Change.Paired(pairing, usual);
        List<Command> along = following(row, new Change.PairedWith(paired, List.of()));
        change(id, version, along.isEmpty() ? paired : new Change.PairedWith(paired, along));
    }

    /**
     * How a picture follows another paper or feed that nobody has laid yet: it lies as it did when the docket was opened, or as an earlier choice made it
     * lie. What a person has decided stays.
     */
    private List<Command> following(DocketRepository.Row row, Change change) {
        Judged before = judged(row);
        if (Plans.single(row.spec().plan()).isEmpty() || row.spec().items().size() > 1) {
            return List.of();
        }
        SinglePiece piece = row.spec().single();
        if (!liesAs(piece, SinglePiece.usual(piece.item().id(), piece.item().renditionId(), before.facts.input(row.spec())))) {
            return List.of();
        }
        DocketSpec next = change.on(row.spec());
        Judged after = judged(row.with(next));
        List<Command> along = new ArrayList<>();
        if (after.facts.feedFor(next, next.stock()).isEmpty()) {
            // a printer of other sheets, or of rolls alone: the nearest in size that it takes
            Optional<Stock> takes = Stream.concat(SheetSize.KNOWN.stream().map(Stock.Sheet::of).sorted(Comparator.comparingDouble(s -> Math.abs(s.lengthMm() - SheetSize.A4.heightMm()))),
                after.facts.rolls(next).stream()).map(Stock.class::cast).filter(s -> after.facts.feedFor(next, s).isPresent()).findFirst();
            takes.ifPresent(s -> along.add(new SheetCommand.Stocked(s, after.facts.feedFor(next, s))));
        }
        DocketSpec on = along.isEmpty() ? next : along.get(0).on(next);
        SinglePiece usual = SinglePiece.usual(piece.item().id(), piece.item().renditionId(), judged(row.with(on)).facts.input(on));
        if (!liesAs(piece, usual)) {
            along.add(new PieceCommand.Framed(piece.item().id(), usual.item().frame().widthMm(), usual.item().frame().heightMm()));
        }
        return along;
    }

    /** Whatever is written round it. */
    private static boolean liesAs(SinglePiece piece, SinglePiece usual) {
        return piece.plan().equals(usual.plan()) && piece.item().annotated(usual.item().annotation()).equals(usual.item());
    }

    /** This docket on the pairings of other printers, those of the same paper first. */
    public List<Elsewhere> elsewhere(UUID id) {
        Judged now = judged(dockets.get(id));
        String printer = now.facts.pairing().map(PairingVersion::printerId).orElse("");
        return pairings.all().stream().filter(p -> !p.printerId().equals(printer)).map(p -> Elsewhere.of(now, judged(now.row.with(paired(now.row, p)))))
            .sorted(Comparator.comparing((Elsewhere e) -> !e.samePaper()).thenComparing(Elsewhere::paper)).toList();
    }

    /** On a pairing, and on a stock that its printer takes: a roll that is wide enough where it takes no such sheet. */
    private DocketSpec paired(DocketRepository.Row row, PairingVersion pairing) {
        DocketSpec on = row.spec().withPairing(pairing);
        PreflightFacts there = judged(row.with(on)).facts;
        Optional<String> feed = there.feedFor(on, on.stock());
        if (feed.isPresent()) {
            return on.withSettings(on.settings().with(DriverSettings.FEED, feed.get()));
        }
        double needed = Math.min(on.stock().widthMm(), on.stock() instanceof Stock.Sheet s ? s.lengthMm() : on.stock().widthMm());
        return there.rolls(on).stream().filter(r -> r.widthMm() >= needed - 1).findFirst().map(r -> new SheetCommand.Stocked(r, there.feedFor(on, r)).on(on)).orElse(on);
    }

    /** Goes over to another printer's pairing, with what has to change along. */
    public void goElsewhere(UUID id, int version, String pairingId) {
        PairingVersion pairing = pairings.find(pairingId).orElseThrow(() -> new NotFound("There is no such pairing.", "Choose another one."));
        DocketRepository.Row row = dockets.get(id);
        DocketSpec before = row.spec();
        DocketSpec after = paired(row, pairing);
        List<Command> changes = new ArrayList<>();
        if (!after.stock().equals(before.stock())) {
            changes.add(new SheetCommand.Stocked(after.stock(), Optional.of(after.settings().feed())));
        } else if (!after.settings().feed().equals(pairing.settings().feed())) {
            changes.add(new MachineCommand.Set(DriverSettings.FEED, after.settings().feed()));
        }
        change(id, version, new Change.PairedWith(new Change.Paired(pairing), changes));
    }

    /** Keeps that the proof as it stands now was looked at; without a pairing there is none. */
    public void see(UUID id) {
        judged(dockets.get(id)).proofKey.ifPresent(key -> dockets.see(id, key));
    }

    /** The same again as a docket of its own, to be put on another paper or size. */
    public UUID copy(UUID id) {
        DocketSpec d = dockets.get(id).spec();
        return dockets.add(d);
    }

    /**
     * A docket for a master that is printed as another one is: paper, size, borders, caption, settings.
     *
     * @return the docket, and what could not hold for this picture's shape; empty when all did
     */
    public Like openLike(MasterImport.Taken taken, UUID like) {
        Master master = taken.master();
        Judged judged = judged(dockets.get(like));
        DocketSpec d = judged.row.spec();
        if (Plans.wrap(d.plan()).isPresent()) {
            return wrappedLike(taken, d);
        }
        Single plan = d.single().plan();
        Item item = d.single().item();
        Frame frame = item.frame();
        Rendition of = d.renditions().get(0);
        Rendition rendition = Rendition.of(FIRST_RENDITION, master.hash()).treated(of.treatment()).compensated(of.compensation());
        double aspect = (double) master.width() / master.height();
        Rect before = judged.layout.placed().get(0).atMm();
        boolean turns = aspect != 1 && before.width() != before.height() && aspect > 1 != before.width() > before.height();
        Item next = new Item(DocketSpec.FIRST_ITEM, rendition.id(), Cut.WHOLE, (turns ? frame.sized(frame.heightMm(), frame.widthMm()) : frame).cropped(0.5, 0.5), item.annotation(), 1);
        Single laid = new Single(next.id(), turns != plan.across(), plan.borders(), plan.edge());
        boolean reshaped = !Frame.sameShape(turns ? before.height() / before.width() : before.width() / before.height(), aspect);
        String notice = (turns ? "The sheet was turned for it. " : "") + (reshaped ? frame.fit() == Frame.Fit.FILL ? "It has another shape and loses something to the frame."
            : "It has another shape and doesn't fill the frame." : "");
        UUID id = dockets.add(d.withTitle(title(taken.fileName())).withPictures(List.of(rendition), List.of(next), laid));
        return new Like(id, notice.strip());
    }

    /** Round a body of the same make, the face as large across its longer side. */
    private Like wrappedLike(MasterImport.Taken taken, DocketSpec d) {
        Master master = taken.master();
        Wrap wrap = d.wrap().plan();
        Rendition of = d.renditions().get(0);
        Rendition rendition = Rendition.of(FIRST_RENDITION, master.hash()).treated(of.treatment()).compensated(of.compensation());
        PixelSize size = new PixelSize(master.width(), master.height());
        double longer = Math.max(wrap.body().faceWidthMm(), wrap.body().faceHeightMm());
        SideFill fill = wrap.fill() instanceof SideFill.OneColour ? new SideFill.Mirrored() : wrap.fill();
        Item item = d.wrap().item();
        Item next = new Item(DocketSpec.FIRST_ITEM, rendition.id(), Cut.WHOLE, item.frame().cropped(0.5, 0.5), item.annotation(), 1);
        WrapPiece whole = new WrapPiece(next, new Wrap(next.id(), wrap.across(), wrap.body().sized(longer, longer), wrap.panels(), fill, wrap.moves(), wrap.corners()));
        Wrap shaped = size.aspect() >= 1 ? whole.byWidth(size, longer) : whole.byHeight(size, longer);
        return new Like(dockets.add(d.withTitle(title(taken.fileName())).withPictures(List.of(rendition), List.of(next), shaped.onStock(d.stock()))),
            wrap.fill() instanceof SideFill.OneColour ? "Its sides are mirrored: their colour was picked from the other picture." : "");
    }

    public record Like(UUID docket, String notice) {
    }

    /** A fresh docket for a master, titled after its file. */
    public UUID open(MasterImport.Taken taken) {
        Master master = taken.master();
        Rendition rendition = Rendition.of(FIRST_RENDITION, master.hash());
        return dockets.add(DocketSpec.fresh(title(taken.fileName()), rendition, new PixelSize(master.width(), master.height())));
    }

    private static String title(String fileName) {
        String stem = fileName.replaceFirst("\\.[^.]{1,5}$", "").replace('_', ' ').replace('-', ' ').strip();
        return stem.isEmpty() ? "Untitled" : Character.toUpperCase(stem.charAt(0)) + stem.substring(1);
    }
}
