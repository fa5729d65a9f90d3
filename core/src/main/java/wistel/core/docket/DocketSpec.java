package wistel.core.docket;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.Straightening;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.Wrap;
import wistel.core.tone.KeptCurve;

/**
 * Everything that a person decides on a docket. Immutable: undo keeps old ones, a {@link Change} makes a new one. What was merely looked at, or
 * how, is no decision and not in here.
 *
 * @param schema the form in which it was written; this one reads {@link #SCHEMA}
 */
public record DocketSpec(int schema, String title, List<Rendition> renditions, Optional<String> pairingId, Stock stock, SheetPlan plan,
                         Resolution resolution, Sharpening sharpening, Annotation annotation, ColourRoute route, DriverSettings settings, int copies, String notes) {
    public static final int SCHEMA = 6;
    private static final int LONGEST_TITLE = 200;
    private static final int LONGEST_NOTES = 4000;
    private static final int MOST_COPIES = 99;
    private static final double FRESH_BORDER_MM = 20;

    /** @throws InvalidRequest when a value is out of its range */
    public DocketSpec {
        renditions = List.copyOf(renditions);
        if (schema != SCHEMA || renditions.isEmpty()) {
            throw new IllegalArgumentException("schema " + schema + ", " + renditions.size() + " renditions");
        }
        if (title.isBlank() || title.length() > LONGEST_TITLE || notes.length() > LONGEST_NOTES) {
            throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE, "A title has 1 to " + LONGEST_TITLE + " characters, notes up to " + LONGEST_NOTES + ".", "Write it shorter.");
        }
        if (copies < 1 || copies > MOST_COPIES) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, copies + " copies can't be printed.", "Enter 1 to " + MOST_COPIES + ".");
        }
    }

    /** A fresh docket: nothing chosen, the picture as large as an A4 sheet holds with a border of 20 mm. */
    public static DocketSpec fresh(String title, Rendition rendition, SheetPlan.PixelSize picture) {
        Stock.Sheet a4 = Stock.Sheet.of(SheetSize.A4);
        Single plan = usual(rendition.id(), SheetPlan.Ground.bare(a4, Margins.NONE, Map.of(rendition.id(), picture)));
        return new DocketSpec(SCHEMA, title, List.of(rendition), Optional.empty(), a4, plan, new Resolution(Resolution.Pixels.KEEP, 360, 0),
            Sharpening.OFF, Annotation.NONE, new ColourRoute.ByWistel(Intent.RELATIVE, true), DriverSettings.of("", "", 5), 1, "");
    }

    /** What a picture is laid as while nobody has decided: all of it, the way of the sheet that suits it, with a border of 20 mm or as wide as the feed needs. */
    public static Single usual(String renditionId, SheetPlan.Ground ground) {
        SheetPlan.PixelSize picture = ground.pictures().get(renditionId);
        boolean across = picture.width() > picture.height();
        double width = ground.stock().widthMm();
        double length = ground.stock() instanceof Stock.Sheet sheet ? sheet.lengthMm() : width * Math.max(picture.aspect(), 1 / picture.aspect());
        double sheetW = across ? length : width;
        double sheetH = across ? width : length;
        double scale = Math.min((sheetW - 2 * FRESH_BORDER_MM) / picture.width(), (sheetH - 2 * FRESH_BORDER_MM) / picture.height());
        Single plan = Single.whole(renditionId, across, tenth(picture.width() * scale), tenth(picture.height() * scale));
        return plan.largestIfAny(ground).filter(largest -> largest.widthMm() < plan.widthMm()).orElse(plan);
    }

    private static double tenth(double mm) {
        return Math.max(5, Math.round(mm * 10) / 10.0);
    }

    /** Whether a rendition comes out in black, gray and white, toned or not. */
    public boolean monochrome(Rendition rendition, int channels) {
        return channels == 1 || route instanceof ColourRoute.DriverMonochrome || rendition.treatment() instanceof Treatment.Monochrome;
    }

    /**
     * What happens to a rendition's colours before they are converted.
     *
     * @param channels of its master
     * @param curve    of the pairing, in the docket's mode
     */
    public RenditionChange change(String renditionId, int channels, Optional<KeptCurve> curve) {
        Rendition r = rendition(renditionId);
        return r.change().straightened(inForce(r, channels, curve).map(KeptCurve::curve).map(Straightening::of));
    }

    /** Names by what a rendition's tones are proofed; empty where it is in colour or no wedge was measured. */
    public Optional<String> tone(Rendition r, int channels, Optional<KeptCurve> curve) {
        return curve.filter(k -> monochrome(r, channels)).map(k -> k.key(inForce(r, channels, curve).isPresent()));
    }

    /** The curve, where it applies to the rendition, does something and isn't switched off. */
    public Optional<KeptCurve> inForce(Rendition r, int channels, Optional<KeptCurve> curve) {
        return curve.filter(k -> r.straightened() && monochrome(r, channels) && !k.curve().points().isEmpty());
    }

    public DocketSpec withRendition(Rendition changed) {
        rendition(changed.id());
        return withRenditions(renditions.stream().map(r -> r.id().equals(changed.id()) ? changed : r).toList());
    }

    /** @throws InvalidRequest when it is not on the docket */
    public Rendition rendition(String id) {
        return renditions.stream().filter(r -> r.id().equals(id)).findFirst()
            .orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.RENDITION_UNKNOWN, "This picture is not on the docket.", "Look at the docket as it is now."));
    }

    /** Each copy bears a number of its edition: they are pages of their own. What goes round a body has no border to number it in. */
    public boolean numbered() {
        return plan instanceof Single && annotation.numbered();
    }

    /** Copies that the printer makes of each page. */
    public int copiesByPrinter() {
        return numbered() ? 1 : copies;
    }

    /** The route that a proof shows: with the driver converting, the pairing's usual intent. */
    public ColourRoute.ByWistel shownRoute(PairingVersion pairing) {
        return route instanceof ColourRoute.ByWistel by ? by : new ColourRoute.ByWistel(pairing.intent(), true);
    }

    /** @throws InvalidRequest when the docket has another plan */
    public Single single() {
        if (plan instanceof Single single) {
            return single;
        }
        throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "This docket doesn't print one picture on one sheet.", "Look at the docket as it is now.");
    }

    /** @throws InvalidRequest when the docket has another plan */
    public Wrap wrap() {
        if (plan instanceof Wrap wrap) {
            return wrap;
        }
        throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "This docket's picture is wrapped round nothing.", "Choose wrapped at the size station first.");
    }

    public DocketSpec withTitle(String next) {
        return new DocketSpec(schema, next, renditions, pairingId, stock, plan, resolution, sharpening, annotation, route, settings, copies, notes);
    }

    public DocketSpec withRenditions(List<Rendition> next) {
        return new DocketSpec(schema, title, next, pairingId, stock, plan, resolution, sharpening, annotation, route, settings, copies, notes);
    }

    public DocketSpec withStock(Stock next) {
        return new DocketSpec(schema, title, renditions, pairingId, next, plan, resolution, sharpening, annotation, route, settings, copies, notes);
    }

    public DocketSpec withPlan(SheetPlan next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, next, resolution, sharpening, annotation, route, settings, copies, notes);
    }

    public DocketSpec withResolution(Resolution next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, next, sharpening, annotation, route, settings, copies, notes);
    }

    public DocketSpec withSharpening(Sharpening next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, resolution, next, annotation, route, settings, copies, notes);
    }

    public DocketSpec withAnnotation(Annotation next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, resolution, sharpening, next, route, settings, copies, notes);
    }

    public DocketSpec withRoute(ColourRoute next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, resolution, sharpening, annotation, next, settings, copies, notes);
    }

    public DocketSpec withSettings(DriverSettings next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, resolution, sharpening, annotation, route, next, copies, notes);
    }

    public DocketSpec withCopies(int next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, resolution, sharpening, annotation, route, settings, next, notes);
    }

    public DocketSpec withNotes(String next) {
        return new DocketSpec(schema, title, renditions, pairingId, stock, plan, resolution, sharpening, annotation, route, settings, copies, next);
    }

    /** What is wrapped is as thick as the paper, where that is known; how another one gives is not known. */
    private SheetPlan on(PairingVersion pairing) {
        if (!(plan instanceof Wrap wrap) || pairing.body().thicknessMm() == 0) {
            return plan;
        }
        return wrap.around(wrap.body().of(pairing.body().thicknessMm(), pairingId.filter(pairing.pairingId()::equals).flatMap(same -> wrap.body().growth())));
    }

    /** A pairing brings all that hangs on it: settings and intent. Colour is Wistel's to convert. */
    public DocketSpec withPairing(PairingVersion pairing) {
        boolean blackPoint = !(route instanceof ColourRoute.ByWistel by) || by.blackPoint();
        return new DocketSpec(schema, title, renditions, Optional.of(pairing.pairingId()), stock, on(pairing), resolution, sharpening, annotation,
            pairing.grayOnly() ? new ColourRoute.DriverMonochrome() : new ColourRoute.ByWistel(pairing.intent(), blackPoint), pairing.settings(), copies, notes);
    }
}
