package wistel.core.docket.spec;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.ChromaMoves;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Move;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.ToneMoves;
import wistel.core.rendition.Warmth;
import wistel.core.sheet.Delta;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Variation;
import wistel.core.sheet.Varied;

/** What a test strip's pieces are: the docket as it would be with what each of them varies. */
public final class Variations {
    /** The choice of no compensation. */
    public static final String WITHOUT = "without";

    private Variations() {
    }

    /** The docket of a placed picture: itself, but for a test strip's piece. */
    public static DocketSpec of(DocketSpec d, Placed placed) {
        return placed.variation().map(v -> varied(d, placed.renditionId(), v)).orElse(d);
    }

    /** The docket with the settings that are a page's alone. */
    public static DocketSpec of(DocketSpec d, Page page) {
        return page.settings().isEmpty() ? d : d.withSettings(d.settings().with(page.settings()));
    }

    /** @throws InvalidRequest when it chooses what isn't there */
    public static DocketSpec varied(DocketSpec d, String renditionId, Variation variation) {
        DocketSpec next = d;
        // what is chosen first: a slider is moved from where that leaves it
        for (Delta delta : variation.deltas().stream().sorted(Comparator.comparing((Delta x) -> x.what().slides())).toList()) {
            next = delta instanceof Delta.Shift shift ? moved(next, renditionId, shift) : chosen(next, renditionId, (Delta.Instead) delta);
        }
        return next;
    }

    private static DocketSpec moved(DocketSpec d, String renditionId, Delta.Shift shift) {
        Rendition r = d.rendition(renditionId);
        double value = Math.max(-shift.what().most(), Math.min(shift.what().most(), standing(r, shift.what()) + shift.by()));
        List<Move> moves = Move.with(inForce(r), set(inForce(r), shift.what(), value));
        return d.withRendition(r.compensated(new Compensated(moves, Optional.empty(), true)));
    }

    private static List<Move> inForce(Rendition r) {
        return r.compensation().on() ? r.compensation().moves() : List.of();
    }

    /** Where a slider stands in a rendition. */
    public static double standing(Rendition r, Varied what) {
        List<Move> moves = inForce(r);
        ToneMoves t = Move.of(ToneMoves.class, moves).orElse(ToneMoves.NONE);
        Warmth w = Move.of(Warmth.class, moves).orElse(Warmth.NONE);
        return switch (what) {
            case LIGHTNESS -> t.brightness();
            case CONTRAST -> t.contrast();
            case SHADOWS -> t.shadows();
            case WARMTH -> w.warmth();
            case TINT -> w.tint();
            case CHROMA -> 100 * (Move.of(ChromaMoves.class, moves).map(ChromaMoves::chroma).orElse(1.0) - 1);
            case COMPENSATION, INTENT, BLACK_POINT, SHARPENING -> 0;
        };
    }

    private static Move set(List<Move> moves, Varied what, double value) {
        ToneMoves t = Move.of(ToneMoves.class, moves).orElse(ToneMoves.NONE);
        Warmth w = Move.of(Warmth.class, moves).orElse(Warmth.NONE);
        return switch (what) {
            case LIGHTNESS -> new ToneMoves(t.shadows(), t.midtones(), t.lights(), t.contrast(), value, t.pivot());
            case CONTRAST -> new ToneMoves(t.shadows(), t.midtones(), t.lights(), value, t.brightness(), t.pivot());
            case SHADOWS -> new ToneMoves(value, t.midtones(), t.lights(), t.contrast(), t.brightness(), t.pivot());
            case WARMTH -> new Warmth(value, w.tint());
            case TINT -> new Warmth(w.warmth(), value);
            case CHROMA -> new ChromaMoves(1 + value / 100, Move.of(ChromaMoves.class, moves).map(ChromaMoves::byHue).orElse(List.of()));
            case COMPENSATION, INTENT, BLACK_POINT, SHARPENING -> throw new IllegalArgumentException(what + " is no slider");
        };
    }

    private static DocketSpec chosen(DocketSpec d, String renditionId, Delta.Instead choice) {
        try {
            return switch (choice.what()) {
                case COMPENSATION -> d.withRendition(compensated(d, d.rendition(renditionId), choice.value()));
                case INTENT -> d.route() instanceof ColourRoute.ByWistel by
                    ? d.withRoute(new ColourRoute.ByWistel(Intent.valueOf(choice.value()), by.blackPoint())) : d;
                case BLACK_POINT -> d.route() instanceof ColourRoute.ByWistel by
                    ? d.withRoute(new ColourRoute.ByWistel(by.intent(), Boolean.parseBoolean(choice.value()))) : d;
                case SHARPENING -> d.withSharpening(Sharpening.valueOf(choice.value()));
                case LIGHTNESS, CONTRAST, SHADOWS, WARMTH, TINT, CHROMA -> throw unknown();
            };
        } catch (IllegalArgumentException e) {
            throw unknown();
        }
    }

    private static Rendition compensated(DocketSpec d, Rendition r, String value) {
        if (value.equals(WITHOUT)) {
            return r.compensated(new Compensated(r.compensation().moves(), r.compensation().kept(), false));
        }
        Compensation tried = (d.heading().purpose() instanceof Purpose.StripOf strip ? strip.tried() : List.<Compensation>of()).stream()
            .filter(c -> key(c).equals(value)).findFirst().orElseThrow(Variations::unknown);
        return r.compensated(new Compensated(tried.moves(), Optional.of(tried.ref()), true));
    }

    /** What a version of a compensation is chosen by. */
    public static String key(Compensation c) {
        return c.id() + " " + c.version();
    }

    private static InvalidRequest unknown() {
        return new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "This strip tries something that isn't there.",
            "Choose anew what is varied.");
    }
}
