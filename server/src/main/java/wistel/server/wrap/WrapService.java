package wistel.server.wrap;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.changes.WrapCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.paper.Surface;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.View;
import wistel.core.render.PictureLight;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;
import wistel.core.sheet.WrapPiece;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PreviewStore;

/** Makes wraps of dockets, and changes of wraps from what a person types. */
@Service
public class WrapService {
    private static final WrapBody.Support USUAL_BARS = new WrapBody.Support(WrapBody.Kind.BARS, 38, 0);
    private static final WrapBody.Support USUAL_BOARD = new WrapBody.Support(WrapBody.Kind.BOARD, 5, 0);
    private static final WrapBody.TurnOver STAPLED = new WrapBody.TurnOver(25, 0, false, 3);
    private static final WrapBody.TurnOver GLUED = new WrapBody.TurnOver(20, 3, false, 2);
    private static final double CANVAS_MM = 0.4;
    private static final double PAPER_MM = 0.25;
    /** A fresh face is at least so many times as large as its sides are deep. */
    private static final double LEAST_FACE = 4;
    private static final double LARGEST_FRESH_MM = 2000;
    private static final int COLOUR_VIEW = 1200;

    private final DocketRepository dockets;
    private final DocketService docketService;
    private final DocketAssessor assessor;
    private final MasterRepository masters;
    private final PreviewStore previews;

    WrapService(DocketRepository dockets, DocketService docketService, DocketAssessor assessor, MasterRepository masters,
        PreviewStore previews) {
        this.dockets = dockets;
        this.docketService = docketService;
        this.assessor = assessor;
        this.masters = masters;
        this.previews = previews;
    }

    /**
     * The docket's picture round a body as its paper suggests, the face as large as the picture was; on a stock that holds it, where there
     * is one.
     */
    public void wrap(UUID id, int version) {
        DocketRepository.Row row = dockets.get(id);
        if (Plans.wrap(row.spec().plan()).isPresent()) {
            return;
        }
        DocketAssessment judged = assessor.assess(row.with(new SheetCommand.OnOneSheet().on(row.spec())));
        DocketSpec d = judged.row().spec();
        Optional<PairingVersion> pairing = judged.facts().pairing();
        boolean bars = pairing.isEmpty() || Surface.of(pairing.get().surface()) == Surface.CANVAS;
        double thickness = pairing.map(p -> p.body().thicknessMm()).filter(t -> t > 0).orElse(bars ? CANVAS_MM : PAPER_MM);
        WrapBody.Support support = bars ? USUAL_BARS : USUAL_BOARD;
        Rect at = judged.layout().placed().get(0).atMm();
        double least = LEAST_FACE * support.totalMm();
        double scale = Math.min(LARGEST_FRESH_MM / Math.max(at.width(), at.height()),
            Math.max(1, least / Math.min(at.width(), at.height())));
        // a picture that is too narrow for any body is cropped
        WrapBody body = new WrapBody(Math.max(least, at.width() * scale), Math.max(least, at.height() * scale), support,
            bars ? STAPLED : GLUED, thickness, Optional.empty());
        docketService.change(id, version,
            on(d, judged.facts(), Wrap.of(d.single().item().id(), inWholeMm(body, at.width() / at.height()))));
    }

    /** The width is rounded, the height follows it where the face has the picture's shape. */
    private static WrapBody inWholeMm(WrapBody body, double shape) {
        double width = Math.round(body.faceWidthMm());
        boolean shaped = Math.abs(body.faceWidthMm() / body.faceHeightMm() / shape - 1) < 1e-6;
        return body.sized(width, shaped ? width / shape : Math.round(body.faceHeightMm()));
    }

    /** With another stock, where this one doesn't hold it: one that lies in the printer, or the first that it takes. */
    private static Change on(DocketSpec d, PreflightFacts facts, Wrap wrap) {
        Wrap lying = wrap.onStock(d.stock());
        if (lying.fits(d.stock())) {
            return new WrapCommand.Wraps(lying);
        }
        Optional<Stock> stock = facts.stocks(d).filter(s -> wrap.onStock(s).fits(s)).findFirst();
        return stock
            .<Change>map(s -> new Command.Together(List.of(new WrapCommand.Wraps(wrap), new SheetCommand.Stocked(s, facts.feedFor(d, s)))))
            .orElseGet(() -> new WrapCommand.Wraps(lying));
    }

    public void unwrap(UUID id, int version) {
        docketService.change(id, version, new WrapCommand.Unwraps());
    }

    /**
     * What a person typed or chose; what is empty stays. Lengths with units.
     *
     * @param free        the face needn't have the picture's shape; when it isn't said, it keeps that if it has it
     * @param growsAcross percent that the print grows by, blank when it isn't known
     */
    public record WrapRequest(Optional<String> width, Optional<String> height, Optional<Boolean> free, Optional<WrapBody.Kind> kind,
        Optional<String> depth, Optional<String> airGap,
        Optional<String> turnOver, Optional<String> play, Optional<String> bleed, Optional<Boolean> printed, Optional<String> thickness,
        Optional<String> growsAcross, Optional<String> growsAlong, Optional<Integer> panelsAcross, Optional<Integer> panelsDown,
        Optional<String> gap,
        Optional<Wrap.Corners> corners) {
    }

    public void change(UUID id, int version, WrapRequest asked) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        DocketSpec d = judged.row().spec();
        Wrap before = d.wrap().plan();
        Item item = d.wrap().item();
        PixelSize picture = judged.facts().pictures().get(item.renditionId()).size();
        boolean shaped = asked.free.map(f -> !f).orElseGet(() -> d.wrap().pictureShaped(picture));
        WrapBody body = body(before.body(), asked);
        Wrap next = before.around(body);
        if (asked.panelsAcross.isPresent() || asked.panelsDown.isPresent() || asked.gap.isPresent()) {
            Wrap.Panels now = before.panels();
            int across = asked.panelsAcross.orElse(now.across());
            int down = asked.panelsDown.orElse(now.down());
            double gap = across * down == 1 ? 0 : asked.gap.map(WrapService::mm).orElse(now.count() == 1 ? 30 : now.gapMm());
            next = next.cutUp(new Wrap.Panels(across, down, gap));
        }
        if (asked.width.isPresent() || asked.height.isPresent()) {
            next = sized(new WrapPiece(item, next), asked, picture, shaped);
        } else if (asked.free.isPresent() && !asked.free.get()) {
            next = new WrapPiece(item, next).byWidth(picture, next.body().faceWidthMm());
        }
        docketService.change(id, version, new WrapCommand.Wraps(lying(asked.corners.map(next::cornered).orElse(next), before, d.stock())));
    }

    /** Cut up otherwise it lies so that it takes the least of a roll; else it stays as it lies while that fits. */
    private static Wrap lying(Wrap next, Wrap before, Stock stock) {
        return next.panels().count() == before.panels().count() ? next.fitting(stock) : next.onStock(stock);
    }

    private static Wrap sized(WrapPiece piece, WrapRequest asked, PixelSize picture, boolean shaped) {
        Wrap wrap = piece.plan();
        double w = asked.width.map(WrapService::mm).orElse(wrap.body().faceWidthMm());
        double h = asked.height.map(WrapService::mm).orElse(wrap.body().faceHeightMm());
        if (!shaped || asked.width.isPresent() && asked.height.isPresent()) {
            return wrap.around(wrap.body().sized(w, h));
        }
        return asked.width.isPresent() ? piece.byWidth(picture, w) : piece.byHeight(picture, h);
    }

    private static WrapBody body(WrapBody b, WrapRequest asked) {
        WrapBody.Kind kind = asked.kind.orElse(b.support().kind());
        WrapBody.TurnOver turned = kind == b.support().kind() ? b.turnOver() : kind == WrapBody.Kind.BARS ? STAPLED : GLUED;
        WrapBody.Support usual = kind == b.support().kind() ? b.support() : kind == WrapBody.Kind.BARS ? USUAL_BARS : USUAL_BOARD;
        WrapBody.Support support = new WrapBody.Support(kind, asked.depth.map(WrapService::mm).orElse(usual.depthMm()),
            asked.airGap.map(WrapService::mm).orElse(usual.airGapMm()));
        WrapBody.TurnOver next = new WrapBody.TurnOver(asked.turnOver.map(WrapService::mm).orElse(turned.widthMm()),
            asked.play.map(WrapService::mm).orElse(turned.playMm()),
            asked.printed.orElse(turned.printed()), asked.bleed.map(WrapService::mm).orElse(turned.bleedMm()));
        // the face comes last: a smaller one may only be possible with what is asked for
        return new WrapBody(b.faceWidthMm(), b.faceHeightMm(), support, next, asked.thickness.map(WrapService::mm).orElse(b.thicknessMm()),
            growth(b, asked));
    }

    private static Optional<WrapBody.Growth> growth(WrapBody b, WrapRequest asked) {
        if (asked.growsAcross.isEmpty() && asked.growsAlong.isEmpty()) {
            return b.growth();
        }
        String across = asked.growsAcross.orElseGet(() -> b.growth().map(g -> percent(g.across())).orElse(""));
        String along = asked.growsAlong.orElseGet(() -> b.growth().map(g -> percent(g.along())).orElse(""));
        return across.isBlank() && along.isBlank() ? Optional.empty() : Optional.of(new WrapBody.Growth(share(across), share(along)));
    }

    private static String percent(double share) {
        return Double.toString(share * 100);
    }

    private static double share(String percent) {
        try {
            return percent.isBlank() ? 0 : Double.parseDouble(percent.replace(',', '.').replaceAll("\\s*%\\s*$", "").strip()) / 100;
        } catch (NumberFormatException e) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "'" + (percent.length() > 30 ? percent.substring(0, 30) + "…" : percent) + "' is no percentage.",
                "Write a number, such as 0.4 or -0.7.");
        }
    }

    private static double mm(String written) {
        return Length.parseMm(written, Length.Unit.MM);
    }

    /** Fills the sides with the mean of a patch of the picture. */
    public void colour(UUID id, int version, SideFill.Patch patch) {
        docketService.change(id, version, new WrapCommand.SidesFilled(picked(dockets.get(id).spec(), patch)));
    }

    SideFill.OneColour picked(DocketSpec d, SideFill.Patch patch) {
        return picked(masters.byHash(d.rendition(d.wrap().item().renditionId()).masterHash()).orElseThrow(), patch);
    }

    /** The mean of a patch of a picture. */
    public SideFill.OneColour picked(Master master, SideFill.Patch patch) {
        View view = previews.view(master, COLOUR_VIEW);
        return new SideFill.OneColour(patch, patch.meanOf(view, PictureLight.of(previews.profile(master))));
    }
}
