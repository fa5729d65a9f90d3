package wistel.server.docket;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Seams;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.pictures.SideFill;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Single;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapPiece;
import wistel.server.master.Master;
import wistel.server.master.MasterImport;

/** New dockets for pictures. */
@Service
public class DocketOpening {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final StartingPointRepository points;

    DocketOpening(DocketRepository dockets, DocketAssessor assessor, StartingPointRepository points) {
        this.points = points;
        this.dockets = dockets;
        this.assessor = assessor;
    }

    /** A docket for a picture: printed as another one is, from a starting point, or with nothing decided yet. */
    public Like open(MasterImport.Taken taken, Optional<UUID> like, Optional<UUID> from) {
        return like.map(l -> openLike(taken, l)).or(() -> from.map(f -> openFrom(taken, f)))
            .orElseGet(() -> new Like(open(taken), ""));
    }

    /**
     * A docket for a master that is printed as another one is: paper, size, borders, caption, settings.
     *
     * @return the docket, and what could not hold for this picture's shape; empty when all did
     */
    public Like openLike(MasterImport.Taken taken, UUID like) {
        return openLike(taken, dockets.get(like));
    }

    /** The same with decisions that were kept under a name. */
    private Like openFrom(MasterImport.Taken taken, UUID startingPoint) {
        StartingPointRepository.StartingPoint start = points.get(startingPoint);
        return openLike(taken, new DocketRepository.Row(start.id(), 0, 0, start.spec(), Optional.empty(), Optional.empty(), Set.of(),
            Instant.EPOCH));
    }

    private Like openLike(MasterImport.Taken taken, DocketRepository.Row like) {
        Master master = taken.master();
        DocketAssessment judged = assessor.assess(like);
        DocketSpec d = judged.row().spec();
        if (Plans.wrap(d.plan()).isPresent()) {
            return wrappedLike(taken, d);
        }
        Optional<Tiled> tiled = Plans.tiled(d.plan());
        Single plan = new SheetCommand.OnOneSheet().on(d).single().plan();
        Item item = d.item(plan.itemId());
        Frame frame = item.frame();
        Rendition rendition = like(d.renditions().get(0), master);
        double aspect = (double) master.width() / master.height();
        Rect before = judged.layout().placed().isEmpty() ? new Rect(0, 0, frame.widthMm(), frame.heightMm())
            : judged.layout().placed().get(0).untiled().atMm();
        boolean turns = aspect != 1 && before.width() != before.height() && aspect > 1 != before.width() > before.height();
        Item next = like(item, rendition, turns ? frame.sized(frame.heightMm(), frame.widthMm()) : frame);
        boolean across = turns != plan.across();
        SheetPlan laid = tiled.<SheetPlan>map(
            t -> new Tiled(next.id(), across, t.joint(), Seams.of(t.seams().choice()), t.marks(), t.labels()))
            .orElseGet(() -> new Single(next.id(), across, plan.borders(), plan.edge()));
        boolean reshaped = !Frame.sameShape(turns ? before.height() / before.width() : before.width() / before.height(), aspect);
        String notice = (turns ? "The sheet was turned for it. " : "")
            + (reshaped ? frame.fit() == Frame.Fit.FILL ? "It has another shape and loses something to the frame."
                : "It has another shape and doesn't fill the frame." : "");
        UUID id = dockets.add(d.withTitle(title(taken.master(), taken.fileName())).withPictures(List.of(rendition), List.of(next), laid));
        return new Like(id, notice.strip());
    }

    /** Round a body of the same make, the face as large across its longer side. */
    private Like wrappedLike(MasterImport.Taken taken, DocketSpec d) {
        Master master = taken.master();
        Wrap wrap = d.wrap().plan();
        Rendition rendition = like(d.renditions().get(0), master);
        PixelSize size = new PixelSize(master.width(), master.height());
        double longer = Math.max(wrap.body().faceWidthMm(), wrap.body().faceHeightMm());
        SideFill fill = wrap.fill() instanceof SideFill.OneColour ? new SideFill.Mirrored() : wrap.fill();
        Item item = d.wrap().item();
        Item next = like(item, rendition, item.frame());
        WrapPiece whole = new WrapPiece(next,
            new Wrap(next.id(), wrap.across(), wrap.body().sized(longer, longer), wrap.panels(), fill, wrap.moves(), wrap.corners()));
        Wrap shaped = size.aspect() >= 1 ? whole.byWidth(size, longer) : whole.byHeight(size, longer);
        return new Like(
            dockets.add(d.withTitle(title(taken.master(), taken.fileName())).withPictures(List.of(rendition), List.of(next),
                shaped.onStock(d.stock()))),
            wrap.fill() instanceof SideFill.OneColour ? "Its sides are mirrored: their colour was picked from the other picture." : "");
    }

    /** Another picture, treated and compensated as this one is. */
    private static Rendition like(Rendition of, Master master) {
        return Rendition.of(DocketService.FIRST_RENDITION, master.hash()).treated(of.treatment()).compensated(of.compensation());
    }

    /** A piece of it, all of the picture in the frame's middle. */
    private static Item like(Item of, Rendition rendition, Frame frame) {
        return new Item(DocketSpec.FIRST_ITEM, rendition.id(), Cut.WHOLE, frame.cropped(0.5, 0.5), of.annotation(), 1);
    }

    public record Like(UUID docket, String notice) {
    }

    /** A fresh docket for a master, titled after its file. */
    public UUID open(MasterImport.Taken taken) {
        Master master = taken.master();
        Rendition rendition = Rendition.of(DocketService.FIRST_RENDITION, master.hash());
        return dockets
            .add(DocketSpec.fresh(title(taken.master(), taken.fileName()), rendition, new PixelSize(master.width(), master.height())));
    }

    /** What its file calls it, or the file's own name. */
    static String title(Master master, String fileName) {
        return master.notes().title().isBlank() ? title(fileName) : master.notes().title();
    }

    private static String title(String fileName) {
        String stem = Master.stem(fileName).replace('_', ' ').replace('-', ' ').strip();
        return stem.isEmpty() ? "Untitled" : Character.toUpperCase(stem.charAt(0)) + stem.substring(1);
    }
}
