package wistel.server.docket;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Caption;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.server.master.Master;
import wistel.server.master.MasterImport;
import wistel.server.master.MasterRepository;

/** Brings pieces onto dockets that print several together: from files, from other dockets, of a picture that is there. */
@Service
public class GangService {
    private static final int MOST_DOCKETS = 200;
    private static final int MOST_SIZES = 50;
    /** Each is packed with what is there. */
    private static final int MOST_TRIED = 60;
    private static final double FRESH_MM = 150;
    private static final int CONTACT_A_PAGE = 20;
    private static final Annotation CONTACT_CAPTION = new Annotation(new Caption(false, false, 0, false, 7, true, true, false), 0, 2,
        false);
    private static final Pattern NUMBER = Pattern.compile("\\d{1,12}");

    private final DocketRepository dockets;
    private final DocketService decisions;
    private final DocketAssessor assessor;
    private final JointRepository joints;
    private final MasterRepository masters;

    GangService(DocketRepository dockets, DocketService decisions, DocketAssessor assessor, JointRepository joints,
        MasterRepository masters) {
        this.masters = masters;
        this.joints = joints;
        this.dockets = dockets;
        this.decisions = decisions;
        this.assessor = assessor;
    }

    /**
     * A picture that was read in.
     *
     * @param hash     of its master
     * @param fileName that it was brought by this time
     */
    public record Brought(String hash, String fileName) {
        public static Brought of(MasterImport.Taken taken) {
            return new Brought(taken.master().hash(), taken.fileName());
        }
    }

    /** Pictures that were brought as files, in one change; their longer side as long as the docket's pieces are in the middle. */
    public void add(UUID id, List<Brought> pictures) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.spec();
        double longer = d.items().stream().mapToDouble(i -> Math.max(i.frame().widthMm(), i.frame().heightMm())).sorted()
            .skip(d.items().size() / 2).findFirst().orElse(FRESH_MM);
        Annotation annotation = Plans.gang(d.plan()).map(g -> d.item(g.pieces().get(0)).annotation().perPicture())
            .orElse(Annotation.NONE);
        Gathered all = brought(new Names(d), pictures, longer, annotation);
        decisions.change(id, row.version(), new Change.Added(all.renditions, all.items));
    }

    private Gathered brought(Names names, List<Brought> pictures, double longer, Annotation annotation) {
        if (pictures.isEmpty() || pictures.size() > DocketSpec.MOST_PIECES) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, pictures.size() + " pictures can't be laid at once.",
                "Bring 1 to " + DocketSpec.MOST_PIECES + ".");
        }
        List<Rendition> renditions = new ArrayList<>();
        List<Item> items = new ArrayList<>();
        Map<String, Master> there = masters.byHashes(pictures.stream().map(Brought::hash).toList());
        for (Brought one : pictures) {
            Master master = Optional.ofNullable(there.get(one.hash))
                .orElseThrow(() -> new NotFound("“" + one.fileName + "” isn't here.", "Bring it again."));
            Rendition rendition = Rendition.of(names.rendition(), master.hash());
            renditions.add(rendition);
            PixelSize size = size(master);
            double width = size.aspect() >= 1 ? longer : longer * size.aspect();
            items.add(Item.whole(names.item(), rendition.id(), Math.max(Frame.SMALLEST_MM, width),
                Math.max(Frame.SMALLEST_MM, width / size.aspect())).annotated(annotation)
                .titled(DocketOpening.title(master, one.fileName)));
        }
        return new Gathered(renditions, items, Map.of());
    }

    /** What pictures that are brought together become. */
    public enum Sheet {
        /** Pieces of 15 cm, cut right across. */
        TOGETHER,
        /** Small, in frames of one size over as many pages as it takes, each with its number and file name. */
        CONTACT
    }

    /** A docket of its own for pictures that were brought together. */
    public UUID open(Sheet sheet, String title, List<Brought> pictures) {
        boolean contact = sheet == Sheet.CONTACT;
        Gathered all = brought(new Names(), pictures, FRESH_MM, contact ? CONTACT_CAPTION : Annotation.NONE);
        Arrangement arrangement = contact
            ? new Arrangement(Arrangement.Way.ROWS, 6, false, 0, new Arrangement.Rows(Arrangement.Rows.Alike.FRAMES, CONTACT_A_PAGE))
            : Arrangement.USUAL;
        Gang gang = new Gang(false, arrangement, all.items.stream().map(Item::id).toList(), List.of());
        Map<String, Master> there = masters.byHashes(pictures.stream().map(Brought::hash).toList());
        DocketSpec spec = DocketSpec
            .fresh(title.isBlank() ? contact ? "Contact sheet" : "Together" : title, all.renditions.get(0),
                size(there.get(pictures.get(0).hash)))
            .withPictures(all.renditions, all.items, gang);
        Map<String, PixelSize> sizes = new HashMap<>();
        spec.renditions().forEach(r -> sizes.put(r.id(), size(there.get(r.masterHash()))));
        // no paper is chosen yet, so nothing keeps its edges white
        return dockets.add(new Change.Placing(new GangCommand.Arranged(arrangement),
            d -> LayoutInput.bare(d.stock(), Margins.NONE, sizes, d.items())).on(spec));
    }

    private static PixelSize size(Master master) {
        return new PixelSize(master.width(), master.height());
    }

    /** By what pieces are put in order. */
    public enum Order {
        NAME, TAKEN
    }

    /** Pieces in the order of their files' names, numbers in them counted as numbers, or of the days on which they were taken. */
    public void order(UUID id, int version, Order by) {
        DocketSpec d = dockets.get(id).spec();
        Gang gang = GangCommand.gang(d);
        Map<String, Master> there = masters.byHashes(d.renditions().stream().map(Rendition::masterHash).toList());
        Map<String, Rendition> renditions = d.renditions().stream().collect(Collectors.toMap(Rendition::id, r -> r));
        Map<String, Item> items = d.itemsById();
        Function<String, Master> of = item -> there.get(renditions.get(items.get(item).renditionId()).masterHash());
        Comparator<String> byName = Comparator.comparing(item -> naturally(of.apply(item).fileName()));
        Comparator<String> order = by == Order.NAME ? byName
            : Comparator.comparing((String item) -> of.apply(item).notes().taken().orElse(LocalDateTime.MAX)).thenComparing(byName);
        decisions.change(id, version, new GangCommand.Reordered(gang.pieces().stream().sorted(order).toList()));
    }

    /** Numbers in it filled up, so that 9 comes before 10. */
    private static String naturally(String name) {
        return NUMBER.matcher(name.toLowerCase(Locale.ROOT)).replaceAll(n -> "0".repeat(Math.max(0, 12 - n.group().length())) + n.group());
    }

    /** Pieces of other dockets, each with its crop, size, treatment, compensation and caption. */
    @Transactional
    public void add(UUID id, int version, List<UUID> others) {
        DocketSpec d = dockets.get(id).spec();
        Gathered gathered = gathered(new Names(d), d.pairingId(), different(others));
        decisions.change(id, version, new Change.Added(gathered.renditions, gathered.items));
        joints.add(id, gathered.sources);
    }

    /** @param sources dockets by item */
    private record Gathered(List<Rendition> renditions, List<Item> items, Map<String, UUID> sources) {
        Gathered and(Gathered more) {
            Map<String, UUID> both = new LinkedHashMap<>(sources);
            both.putAll(more.sources);
            return new Gathered(Stream.concat(renditions.stream(), more.renditions.stream()).toList(),
                Stream.concat(items.stream(), more.items.stream()).toList(), both);
        }
    }

    private List<DocketRepository.Row> different(List<UUID> others) {
        if (others.isEmpty() || others.size() > MOST_DOCKETS || others.stream().distinct().count() != others.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, others.size() + " dockets can't be printed together.",
                "Choose 1 to " + MOST_DOCKETS + " different ones.");
        }
        return others.stream().map(dockets::get).toList();
    }

    private static Gathered gathered(Names names, Optional<String> pairingId, List<DocketRepository.Row> others) {
        List<Rendition> renditions = new ArrayList<>();
        List<Item> items = new ArrayList<>();
        Map<String, UUID> sources = new LinkedHashMap<>();
        for (DocketRepository.Row other : others) {
            DocketSpec d = other.spec();
            if (!d.plan().frames()) {
                throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "“" + d.title() + "” is not a picture on a sheet.",
                    "Wraps and charts are printed by themselves.");
            }
            if (!d.pairingId().equals(pairingId)) {
                throw new InvalidRequest(InvalidRequest.Reason.PAIRING_DIFFERS, "“" + d.title() + "” is for another paper.",
                    "Put it on the same paper first.");
            }
            for (Rendition r : d.renditions()) {
                String name = names.rendition();
                renditions.add(r.as(name));
                d.items().stream().filter(i -> i.renditionId().equals(r.id()) && d.plan().items().contains(i.id()))
                    .map(i -> i.as(names.item(), name).titled(i.title().isBlank() ? d.title() : i.title())
                        .repeated(Math.min(Item.MOST_COPIES, i.copies() * d.copies())))
                    .forEach(i -> {
                        items.add(i);
                        sources.put(i.id(), other.id());
                    });
            }
        }
        return new Gathered(renditions, items, sources);
    }

    /** A docket of its own for what several others print, on the paper and stock of the first. */
    @Transactional
    public UUID together(List<UUID> others) {
        if (others.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Nothing was chosen.", "Choose dockets of one paper.");
        }
        DocketRepository.Row first = dockets.get(others.get(0));
        Gathered all = gathered(new Names(), first.spec().pairingId(), different(others));
        Gang gang = new Gang(first.spec().stock() instanceof Stock.Roll, Arrangement.USUAL, all.items.stream().map(Item::id).toList(),
            List.of());
        DocketSpec spec = first.spec().withTitle("Together, " + others.size() + (others.size() == 1 ? " docket" : " dockets")).withNotes("")
            .withCopies(1).withPictures(all.renditions, all.items, gang);
        UUID id = dockets.add(spec.withPlan(gang.placed(assessor.assess(first.with(spec)).facts().input(spec))));
        joints.add(id, all.sources);
        return id;
    }

    /** @param width as a person typed it, with its unit */
    public record SizeWanted(String width, String height, int copies) {
    }

    /** The same picture in other sizes: each frame is full of it, standing or lying as the picture does. */
    public void resized(UUID id, int version, String itemId, List<SizeWanted> sizes) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.spec();
        Item of = d.item(itemId);
        if (sizes.isEmpty() || sizes.size() > MOST_SIZES) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, sizes.size() + " sizes can't be laid at once.",
                "Name 1 to " + MOST_SIZES + ".");
        }
        PixelSize picture = assessor.assess(row).facts().pictures().get(of.renditionId()).size();
        Names names = new Names(d);
        List<Item> items = new ArrayList<>();
        for (SizeWanted size : sizes) {
            double a = mm(size.width);
            double b = mm(size.height);
            boolean turns = picture.aspect() >= 1 != a >= b;
            Frame frame = new Frame(turns ? b : a, turns ? a : b, Frame.Fit.FILL, 0.5, 0.5, of.frame().mayTurn());
            items.add(new Item(names.item(), of.renditionId(), Cut.WHOLE, frame, of.annotation(), size.copies,
                of.title().isBlank() ? d.title() : of.title()));
        }
        decisions.change(id, version, new Change.Added(List.of(), items));
    }

    /** Lengths as a person typed them; what is empty follows or stays. */
    public record PieceSize(Optional<String> width, Optional<String> height) {
    }

    /** A piece in another size; all of a picture keeps its shape. */
    public void resize(UUID id, int version, String itemId, PieceSize asked) {
        DocketRepository.Row row = dockets.get(id);
        Item item = row.spec().item(itemId);
        PixelSize picture = assessor.assess(row).facts().pictures().get(item.renditionId()).size();
        double[] now = item.size(picture);
        double width = asked.width.map(GangService::mm).orElse(now[0]);
        double height = asked.height.map(GangService::mm).orElse(now[1]);
        if (item.frame().fit() == Frame.Fit.WHOLE) {
            double aspect = now[0] / now[1];
            height = asked.width.isPresent() ? width / aspect : height;
            width = asked.width.isPresent() ? width : height * aspect;
        }
        decisions.change(id, version, new PieceCommand.Framed(itemId, width, height));
    }

    /** Several pieces, each with its longer side as long as was typed. */
    public void resizeAll(UUID id, int version, List<String> itemIds, String longer) {
        DocketRepository.Row row = dockets.get(id);
        Map<String, PreflightFacts.Picture> pictures = assessor.assess(row).facts().pictures();
        double mm = mm(longer);
        List<PieceCommand.Framed> each = itemIds.stream().map(row.spec()::item)
            .map(item -> longer(item, pictures.get(item.renditionId()).size(), mm)).toList();
        decisions.change(id, version, new Change.Each(each,
            (each.size() == 1 ? "a piece" : each.size() + " pieces") + " " + Length.mm(mm) + " mm long"));
    }

    /** With its longer side so long. */
    static PieceCommand.Framed longer(Item item, PixelSize picture, double mm) {
        double[] now = item.size(picture);
        double scale = mm / Math.max(now[0], now[1]);
        return new PieceCommand.Framed(item.id(), now[0] * scale, now[1] * scale);
    }

    /** The same pieces once more, each on its own from now on. */
    public void copy(UUID id, int version, List<String> itemIds) {
        DocketSpec d = dockets.get(id).spec();
        Names names = new Names(d);
        decisions.change(id, version,
            new Change.Added(List.of(), itemIds.stream().map(d::item).map(i -> i.as(names.item(), i.renditionId())).toList()));
    }

    /** Waiting dockets of the same paper that together lie on what its pieces leave bare, the largest first. */
    public List<UUID> fitting(UUID id) {
        DocketRepository.Row row = dockets.get(id);
        DocketAssessment judged = assessor.assess(row);
        DocketSpec d = row.spec();
        Gang gang = GangCommand.gang(d);
        List<UUID> fitting = new ArrayList<>();
        Map<String, UUID> here = joints.sources(id);
        here.keySet().retainAll(gang.pieces());
        List<DocketRepository.Row> waiting = dockets.onBench().rows().stream()
            .filter(r -> !r.id().equals(id) && r.spec().pairingId().equals(d.pairingId()) && Plans.single(r.spec().plan()).isPresent()
                && !here.containsValue(r.id()))
            .sorted(Comparator.comparingDouble((DocketRepository.Row r) -> -area(r.spec()))).limit(MOST_TRIED).toList();
        Names names = new Names(d);
        Gathered fits = new Gathered(List.of(), List.of(), Map.of());
        for (DocketRepository.Row other : waiting) {
            Gathered more = fits.and(gathered(names, d.pairingId(), List.of(other)));
            DocketSpec with = new Change.Added(more.renditions, more.items).on(d);
            if (gang.takes(more.items.stream().map(Item::id).toList(), assessor.assess(row.with(with)).facts().input(with),
                judged.layout())) {
                fitting.add(other.id());
                fits = more;
            }
        }
        return fitting;
    }

    private static double area(DocketSpec d) {
        return d.items().stream().mapToDouble(i -> i.frame().widthMm() * i.frame().heightMm()).sum();
    }

    /** How pieces are to be laid, lengths as a person typed them; what is empty stays. */
    public record ArrangementAsked(Optional<Arrangement.Way> way, Optional<String> gutter, Optional<Boolean> cutMarks,
        Optional<String> longest, Optional<Arrangement.Rows> rows) {
    }

    public void arrange(UUID id, int version, ArrangementAsked asked) {
        Arrangement now = Plans.gang(dockets.get(id).spec().plan()).map(Gang::arrangement).orElse(Arrangement.USUAL);
        decisions.change(id, version,
            new GangCommand.Arranged(
                new Arrangement(asked.way.orElse(now.way()), asked.gutter.map(GangService::mm).orElse(now.gutterMm()),
                    asked.cutMarks.orElse(now.cutMarks()), asked.longest.map(GangService::mm).orElse(now.longestMm()),
                    asked.rows.orElse(now.rows()))));
    }

    private static double mm(String written) {
        return Length.parseMm(written, Length.Unit.MM);
    }

    /** Names that no picture and no piece of a docket has. */
    private static final class Names {
        private final Set<String> taken = new HashSet<>();

        Names() {
        }

        Names(DocketSpec d) {
            d.renditions().forEach(r -> taken.add(r.id()));
            d.items().forEach(i -> taken.add(i.id()));
        }

        String rendition() {
            return next("r");
        }

        String item() {
            return next("i");
        }

        private String next(String letter) {
            int n = 1;
            while (!taken.add(letter + n)) {
                n++;
            }
            return letter + n;
        }
    }
}
