package wistel.server.docket;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.server.master.Master;
import wistel.server.master.MasterImport;

/** Brings pieces onto dockets that print several together: from files, from other dockets, of a picture that is there. */
@Service
public class GangService {
    private static final int MOST_DOCKETS = 200;
    private static final int MOST_SIZES = 50;
    private static final double FRESH_MM = 150;

    private final DocketRepository dockets;
    private final DocketService decisions;
    private final DocketAssessor assessor;
    private final JointRepository joints;

    GangService(DocketRepository dockets, DocketService decisions, DocketAssessor assessor, JointRepository joints) {
        this.joints = joints;
        this.dockets = dockets;
        this.decisions = decisions;
        this.assessor = assessor;
    }

    /** A picture that was brought as a file, its longer side as long as the docket's pieces are in the middle. */
    public void add(UUID id, MasterImport.Taken taken) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.spec();
        Master master = taken.master();
        Names names = new Names(d);
        Rendition rendition = Rendition.of(names.rendition(), master.hash());
        PixelSize size = new PixelSize(master.width(), master.height());
        double longer = d.items().stream().mapToDouble(i -> Math.max(i.frame().widthMm(), i.frame().heightMm())).sorted()
            .skip(d.items().size() / 2).findFirst().orElse(FRESH_MM);
        double width = size.aspect() >= 1 ? longer : longer * size.aspect();
        double height = Math.max(Frame.SMALLEST_MM, width / size.aspect());
        Item item = Item.whole(names.item(), rendition.id(), Math.max(Frame.SMALLEST_MM, width), height)
            .titled(DocketOpening.title(taken.fileName()));
        decisions.change(id, row.version(), new Change.Added(List.of(rendition), List.of(item)));
    }

    /** Pieces of other dockets, each with its crop, size, treatment, compensation and caption. */
    @Transactional
    public void add(UUID id, int version, List<UUID> others) {
        DocketSpec d = dockets.get(id).spec();
        Gathered gathered = gathered(new Names(d), d.pairingId(), others);
        decisions.change(id, version, new Change.Added(gathered.renditions, gathered.items));
        joints.add(id, gathered.sources);
    }

    /** @param sources dockets by item */
    private record Gathered(List<Rendition> renditions, List<Item> items, Map<String, UUID> sources) {
    }

    private Gathered gathered(Names names, Optional<String> pairingId, List<UUID> others) {
        if (others.isEmpty() || others.size() > MOST_DOCKETS || others.stream().distinct().count() != others.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, others.size() + " dockets can't be printed together.",
                "Choose 1 to " + MOST_DOCKETS + " different ones.");
        }
        List<Rendition> renditions = new ArrayList<>();
        List<Item> items = new ArrayList<>();
        Map<String, UUID> sources = new LinkedHashMap<>();
        for (UUID other : others) {
            DocketSpec d = dockets.get(other).spec();
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
                        sources.put(i.id(), other);
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
        Gathered all = gathered(new Names(), first.spec().pairingId(), others);
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

    /** How pieces are to be laid, lengths as a person typed them; what is empty stays. */
    public record ArrangementAsked(Optional<Arrangement.Way> way, Optional<String> gutter, Optional<Boolean> cutMarks,
        Optional<String> longest) {
    }

    public void arrange(UUID id, int version, ArrangementAsked asked) {
        Arrangement now = Plans.gang(dockets.get(id).spec().plan()).map(Gang::arrangement).orElse(Arrangement.USUAL);
        decisions.change(id, version,
            new GangCommand.Arranged(
                new Arrangement(asked.way.orElse(now.way()), asked.gutter.map(GangService::mm).orElse(now.gutterMm()),
                    asked.cutMarks.orElse(now.cutMarks()), asked.longest.map(GangService::mm).orElse(now.longestMm()))));
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
