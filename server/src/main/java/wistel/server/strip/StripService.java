package wistel.server.strip;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.StripChange;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Purpose;
import wistel.core.docket.spec.Variations;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.transform.Recipe;
import wistel.core.paper.Stock;
import wistel.core.pictures.View;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.StripPart;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Delta;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Strip;
import wistel.core.sheet.StripAxis;
import wistel.core.sheet.StripPages;
import wistel.core.sheet.Variation;
import wistel.core.sheet.Varied;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PreviewStore;
import wistel.server.proof.ProofService;

/** Opens test strips of dockets, decides what they vary, and puts what a piece shows back into the docket that it came from. */
@Service
public class StripService {
    private static final double PIECE_MM = 50;
    /** Of paper that is chosen for it. */
    private static final double LEAST_PIECE_MM = 36;
    /** Smaller ones tell nothing: a person has to decide otherwise. */
    private static final double SMALLEST_PIECE_MM = 12;
    /** Of the picture's width and height, that pieces show where nobody has chosen. */
    private static final double PART = 0.4;
    private static final int LOOKED_AT = 400;
    private static final int USUAL_STEPS = 5;
    private static final int LONGEST_TITLE = 180;

    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final DocketService decisions;
    private final MasterRepository masters;
    private final PreviewStore previews;
    private final ProofService proofs;
    private final StripWays ways;
    private final Events events;

    StripService(DocketRepository dockets, DocketAssessor assessor, DocketService decisions, MasterRepository masters,
        PreviewStore previews, ProofService proofs, StripWays ways, Events events) {
        this.dockets = dockets;
        this.assessor = assessor;
        this.decisions = decisions;
        this.masters = masters;
        this.previews = previews;
        this.proofs = proofs;
        this.ways = ways;
        this.events = events;
    }

    /**
     * A strip of one of a docket's pictures: lightness across and, where it is in colour, warmth downwards.
     *
     * @throws InvalidRequest when the docket is a strip itself, or what is printed to be measured
     */
    UUID open(UUID id, Optional<String> renditionId) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.spec();
        if (!(d.heading().purpose() instanceof Purpose.Work)) {
            throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "Variations are tried of a docket that prints a picture.",
                "Of a strip, choose a piece and try finer ones about it.");
        }
        Rendition r = d.rendition(renditionId.orElse(d.renditions().get(0).id()));
        DocketAssessment judged = assessor.assess(row);
        boolean mono = d.monochrome(r, judged.facts().pictures().get(r.id()).channels());
        StripAxis columns = StripAxis.even(Varied.LIGHTNESS, USUAL_STEPS, 10, Variations.standing(r, Varied.LIGHTNESS));
        StripAxis down = mono ? StripAxis.even(Varied.CONTRAST, 3, 10, Variations.standing(r, Varied.CONTRAST))
            : StripAxis.even(Varied.WARMTH, 3, 4, Variations.standing(r, Varied.WARMTH));
        StripPart part = map(r).best(StripPart.By.BOTH, PART, PART);
        Master master = masters.byHash(r.masterHash()).orElseThrow();
        Item item = new Item(DocketSpec.FIRST_ITEM, DocketService.FIRST_RENDITION, cut(part), Frame.whole(PIECE_MM,
            PIECE_MM * master.height() / master.width()), Annotation.NONE, 1);
        Purpose purpose = new Purpose.StripOf(id.toString(), r.id(), List.of());
        DocketSpec strip = d
            .withHeading(new DocketSpec.Heading(shortened(d.title()) + ", strip", "", purpose))
            .withPictures(List.of(r.as(DocketService.FIRST_RENDITION)), List.of(item),
                Strip.of(item.id(), true, columns, Optional.of(down)))
            .withCopies(1);
        return dockets.add(onStock(row.with(strip)));
    }

    private static String shortened(String title) {
        return title.length() > LONGEST_TITLE ? title.substring(0, LONGEST_TITLE) : title;
    }

    private static Cut cut(StripPart part) {
        return new Cut(part.x(), part.y(), part.width(), part.height(), 0);
    }

    /**
     * On the first stock that leaves its pieces large enough to be judged, either way round: a sheet that lies in the printer, then what the
     * docket is on, then what the printer takes.
     */
    private DocketSpec onStock(DocketRepository.Row row) {
        DocketSpec d = row.spec();
        PreflightFacts facts = assessor.assess(row).facts();
        List<Stock> stocks = Stream.concat(facts.stocks(d).filter(s -> facts.loaded(d, s) && s instanceof Stock.Sheet), Stream.concat(
            Stream.of(d.stock()), facts.stocks(d))).distinct().toList();
        for (Stock stock : stocks) {
            List<DocketSpec> ways = Stream.of(true, false).map(across -> {
                DocketSpec laid = d.withStock(stock).withPlan(d.strip().lying(across));
                return facts.feedFor(laid, stock).map(f -> laid.withSettings(d.settings().with(DriverSettings.FEED, f))).orElse(laid);
            }).toList();
            DocketSpec best = ways.stream().max(Comparator.comparingDouble(x -> largest(x, facts))).orElseThrow();
            if (largest(best, facts) >= LEAST_PIECE_MM) {
                return best.withItem(fitting(best.strip(), best, facts));
            }
        }
        return d;
    }

    private static double largest(DocketSpec d, PreflightFacts facts) {
        return d.strip().largestMm(facts.input(d));
    }

    /** The strip's piece as it is, or where so many of them find no room as large as they do. */
    private static Item fitting(Strip strip, DocketSpec d, PreflightFacts facts) {
        LayoutInput in = facts.input(d);
        Item item = d.item(strip.itemId());
        double largest = strip.largestMm(in);
        return item.frame().widthMm() <= largest || largest < SMALLEST_PIECE_MM ? item : strip.sized(largest, in);
    }

    StripChoices choices(UUID id) {
        DocketRepository.Row row = dockets.get(id);
        row.spec().strip();
        return ways.choices(row.spec(), assessor.assess(row).facts());
    }

    /** Decides what is varied. */
    void vary(UUID id, int version, StripController.StripAsked asked) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.spec();
        Rendition r = d.renditions().get(0);
        List<Compensation> tried = new ArrayList<>();
        StripAxis columns = axis(asked.across(), d, r, tried);
        Optional<StripAxis> down = asked.down().map(a -> axis(a, d, r, tried));
        PreflightFacts facts = assessor.assess(row).facts();
        Optional<StripPages> pages = asked.pages().map(p -> ways.pages(p.setting(), p.values(), d, facts));
        Purpose.StripOf of = purpose(d);
        Strip strip = d.strip().varied(columns, down, pages);
        decisions.change(id, version, new StripChange.Varied(strip, fitting(strip, d.withPlan(strip), facts),
            new Purpose.StripOf(of.docketId(), of.renditionId(), tried)));
    }

    private StripAxis axis(StripController.AxisAsked asked, DocketSpec d, Rendition r, List<Compensation> tried) {
        return asked.what().slides()
            ? StripAxis.even(asked.what(), asked.steps().orElse(USUAL_STEPS), asked.step().orElse(ways.step(asked.what())),
                Variations.standing(r, asked.what()))
            : ways.axis(asked.what(), asked.values(), d, tried);
    }

    private static Purpose.StripOf purpose(DocketSpec d) {
        d.strip();
        if (d.heading().purpose() instanceof Purpose.StripOf of) {
            return of;
        }
        throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "This docket is no test strip.", "Try variations of it first.");
    }

    StripPart part(UUID id) {
        DocketSpec d = dockets.get(id).spec();
        Cut cut = d.item(d.strip().itemId()).cut();
        return map(d.renditions().get(0)).part(cut.x(), cut.y(), cut.width(), cut.height());
    }

    void choosePart(UUID id, int version, StripPart.By by) {
        DocketSpec d = dockets.get(id).spec();
        Item item = d.item(d.strip().itemId());
        StripPart best = map(d.renditions().get(0)).best(by, item.cut().width(), item.cut().height());
        decisions.change(id, version, new PieceCommand.Trimmed(item.id(), cut(best)));
    }

    /** Where a picture is dark and where its colour is strong. */
    private StripPart.Map map(Rendition r) {
        Master master = masters.byHash(r.masterHash()).orElseThrow();
        View view = previews.view(master, LOOKED_AT);
        return new StripPart.Map(proofs.transforms().get(new Recipe.DeviceToLab(previews.profile(master), false)).apply(view.pixels()),
            view.width(), view.height());
    }

    /** As it was looked at: a piece of another layout would be another one. */
    private DocketRepository.Row current(UUID id, int version) {
        DocketRepository.Row row = dockets.get(id);
        if (row.version() != version) {
            throw new Conflict(Conflict.Reason.STALE, "This strip was changed in another window meanwhile.",
                "Look at it as it is now, then choose again.", Map.of("version", row.version()));
        }
        return row;
    }

    /** A piece, or what lies in the middle of two, with the strip's docket as it is for it. */
    private record Piece(Variation variation, Page page, String words) {
    }

    private static Piece piece(DocketAssessment judged, int number, List<String> placed) {
        List<Page> pages = judged.layout().pages();
        if (number < 1 || number > pages.size() || placed.isEmpty() || placed.size() > 2) {
            throw new InvalidRequest(InvalidRequest.Reason.PAGE_UNKNOWN, "There is no such piece.", "Choose one piece of a page, or two.");
        }
        Page page = pages.get(number - 1);
        List<Placed> pieces = placed.stream().distinct()
            .map(id -> page.placed(id).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN,
                "This piece is not on the strip any more.", "Look at the strip as it is now.")))
            .toList();
        Variation one = pieces.get(0).variation().orElseThrow();
        Variation chosen = pieces.size() == 1 ? one : between(judged, page, pieces);
        String setting = page.settings().isEmpty() ? ""
            : judged.row().spec().strip().pages().map(p -> ", " + p.values().get(number - 1).words()).orElse("");
        return new Piece(chosen, page, chosen.words() + setting);
    }

    private static Variation between(DocketAssessment judged, Page page, List<Placed> two) {
        int columns = judged.row().spec().strip().columns().steps().size();
        int a = page.placed().indexOf(two.get(0));
        int b = page.placed().indexOf(two.get(1));
        if (Math.abs(a % columns - b % columns) + Math.abs(a / columns - b / columns) != 1) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "These two don't lie beside each other.",
                "Choose a piece and its neighbour: the middle between them is meant.");
        }
        return two.get(0).variation().orElseThrow().middle(two.get(1).variation().orElseThrow());
    }

    /**
     * @param notice what was there and is replaced, or what else a person wants to know; blank where nothing is
     * @param piece  in words
     */
    public record TakenOver(UUID docket, int number, String piece, String notice) {
    }

    /**
     * The docket that a strip came from is printed like one of its pieces, as one step that undo takes back.
     *
     * @throws Conflict when that docket has the picture no more, or is on another paper
     */
    @Transactional
    public TakenOver choose(UUID id, int version, StripController.PieceAsked asked) {
        DocketRepository.Row row = current(id, version);
        Purpose.StripOf of = purpose(row.spec());
        Piece piece = piece(assessor.assess(row), asked.page(), asked.placed());
        DocketRepository.Row origin = dockets.get(UUID.fromString(of.docketId()));
        DocketSpec o = origin.spec();
        String name = "docket " + origin.number();
        if (o.renditions().stream().noneMatch(r -> r.id().equals(of.renditionId()))) {
            throw new Conflict(Conflict.Reason.STOPPED, "This picture is not on " + name + " any more.",
                "Bring it there again, or set another docket to what the piece says.");
        }
        if (!o.pairingId().equals(row.spec().pairingId())) {
            throw new Conflict(Conflict.Reason.STOPPED, "Meanwhile " + name + " is for another paper than this strip.",
                "Put it back on the strip's paper first: what is right here says little about another.");
        }
        DocketSpec as = Variations.varied(row.spec(), DocketService.FIRST_RENDITION, piece.variation);
        Rendition laid = row.spec().renditions().get(0);
        Rendition now = o.rendition(of.renditionId()).as(DocketService.FIRST_RENDITION);
        boolean newer = !now.masterHash().equals(laid.masterHash());
        boolean changed = !now.of(laid.masterHash()).equals(laid);
        boolean away = dockets.bringBack(origin.id());
        dockets.change(origin.id(), dockets.get(origin.id()).version(),
            new StripChange.LikePiece(as, of.renditionId(), piece.page.settings(), piece.words));
        dockets.change(id, row.version(), new StripChange.Chosen(piece.words));
        events.publish("docket", origin.id().toString());
        events.publish("docket", id.toString());
        return new TakenOver(origin.id(), origin.number(), piece.words,
            ((away ? "It had been put away and lies on the bench again. " : "")
                + (newer ? "It keeps the newer file of its picture, which came since the strip was laid out. " : "")
                + (changed ? "Its picture had been changed since the strip was laid out: that was replaced, and undo brings it back." : ""))
                .strip());
    }

    /** A strip of half the steps about a piece of another one; what isn't moved by numbers is as the piece has it. */
    UUID finer(UUID id, int version, StripController.PieceAsked asked) {
        DocketRepository.Row row = current(id, version);
        purpose(row.spec());
        Strip strip = row.spec().strip();
        Piece piece = piece(assessor.assess(row), asked.page(), asked.placed());
        DocketSpec about = Variations.of(Variations.varied(row.spec(), DocketService.FIRST_RENDITION, piece.variation), piece.page);
        Rendition r = about.renditions().get(0);
        List<StripAxis> axes = new ArrayList<>(Stream.concat(Stream.of(strip.columns()), strip.down().stream())
            .filter(a -> a.what().slides()).map(a -> finer(a, r)).toList());
        if (axes.isEmpty()) {
            axes.add(StripAxis.even(Varied.LIGHTNESS, USUAL_STEPS, ways.step(Varied.LIGHTNESS) / 2,
                Variations.standing(r, Varied.LIGHTNESS)));
        }
        Strip next = strip.varied(axes.get(0), axes.stream().skip(1).findFirst(), Optional.empty()).chose("");
        return dockets.add(about.withPlan(next));
    }

    private static StripAxis finer(StripAxis axis, Rendition r) {
        double step = ((Delta.Shift) axis.steps().get(1)).by() - ((Delta.Shift) axis.steps().get(0)).by();
        return StripAxis.even(axis.what(), axis.steps().size(), step / 2, Variations.standing(r, axis.what()));
    }
}
