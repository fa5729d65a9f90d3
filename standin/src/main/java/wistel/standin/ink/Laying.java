package wistel.standin.ink;

import java.util.List;
import java.util.Map;

/**
 * How a printer that is set like this turns its input into inks.
 *
 * @param meant      the paper that its media type stands for: it decides ink limit and amount
 * @param amount     of ink, against what the paper that really lies there is made for
 * @param quality    IPP print-quality; quicker passes spread more
 * @param photoBlack whether photo black is used
 * @param monochrome its black and gray inks alone
 * @param darkness   of the monochrome mode, 1 to 5
 * @param tint       of the monochrome mode: -1 cool, 0 neutral, 1 warm
 * @param drift      what has changed since profiles were made
 */
public record Laying(Paper meant, double amount, int quality, boolean photoBlack, boolean monochrome, int darkness, int tint,
    Drift drift) {
    /** The inks that are counted, in the order in which amounts are given. */
    public static final List<String> INKS = List.of("cyan", "magenta", "yellow", "black", "gray");
    private static final int USUAL_DARKNESS = 3;

    /** In colour, with the black that suits the media type. */
    public static Laying colour(Paper paper, String mediaType, int quality) {
        Paper meant = Paper.ofMediaType(mediaType).orElse(paper);
        return new Laying(meant, meant.ink() / paper.ink(), quality, meant.photoBlack(), false, USUAL_DARKNESS, 0, Drift.NONE);
    }

    /** @param settings of a job, by their IPP names */
    public static Laying of(Paper paper, Map<String, String> settings, int quality) {
        Paper meant = Paper.ofMediaType(settings.getOrDefault("media-type", "")).orElse(paper);
        boolean photo = switch (settings.getOrDefault("wistel-black-ink", "by-paper")) {
            case "photo" -> true;
            case "matte" -> false;
            default -> meant.photoBlack();
        };
        boolean monochrome = settings.getOrDefault("print-color-mode", "color").contains("monochrome");
        int tint = switch (settings.getOrDefault("wistel-mono-tint", "neutral")) {
            case "warm" -> 1;
            case "cool" -> -1;
            default -> 0;
        };
        return new Laying(meant, meant.ink() / paper.ink(), quality, photo, monochrome,
            monochrome ? Integer.parseInt(settings.getOrDefault("wistel-mono-darkness", "3")) : USUAL_DARKNESS, monochrome ? tint : 0,
            Drift.NONE);
    }

    /** By a printer, or on a sheet, that has changed since. */
    public Laying with(Drift now) {
        return new Laying(meant, amount, quality, photoBlack, monochrome, darkness, tint, now);
    }

    /** Cover of cyan, magenta, yellow, black and gray for an input of 0 to 1, white being 1. */
    double[] inks(double r, double g, double b) {
        double[] inks = monochrome ? gray(1 - (0.2126 * r + 0.7152 * g + 0.0722 * b)) : colour(r, g, b);
        for (int i = 0; i < inks.length; i++) {
            inks[i] *= amount * drift.amount(i);
        }
        double limit = meant.photoBlack() ? 2.9 : 2.4;
        double total = inks[0] + inks[1] + inks[2] + inks[3] + inks[4];
        double hold = total > limit ? limit / total : 1;
        for (int i = 0; i < 3; i++) {
            inks[i] *= hold;
        }
        return inks;
    }

    /** The driver's own, uncorrected way from RGB to inks: complement, black drawn from the darkest part. */
    private static double[] colour(double r, double g, double b) {
        double c = Math.pow(1 - r, 1.25);
        double m = Math.pow(1 - g, 1.25);
        double y = Math.pow(1 - b, 1.2);
        double gray = Math.min(c, Math.min(m, y));
        double k = gray < 0.3 ? 0 : Math.pow((gray - 0.3) / 0.7, 1.7);
        double under = 0.55 * k;
        return new double[] {c - under * gray, m - under * gray, y - under * gray, k, 0};
    }

    /** Gray ink for the lights, black for the shadows, a touch of colour for a tint; none of it corrected for how the paper takes it. */
    private double[] gray(double depth) {
        double d = Math.pow(depth, 1 - 0.12 * (darkness - USUAL_DARKNESS));
        double k = d < 0.35 ? 0 : Math.pow((d - 0.35) / 0.65, 1.5);
        double touch = 0.07 * d * (1 - d);
        double[] inks = {0, 0, 0, k, d};
        if (tint != 0) {
            inks[tint > 0 ? 2 : 0] = 1.6 * touch;
            inks[1] = tint > 0 ? 0.6 * touch : 0;
        }
        return inks;
    }
}
