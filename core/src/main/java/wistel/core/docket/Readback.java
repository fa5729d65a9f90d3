package wistel.core.docket;

import wistel.core.length.Length;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** The one plain sentence that says what happens if the docket is printed now. */
public final class Readback {
    private Readback() {
    }

    public static String of(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty()) {
            return "nothing yet: choose a paper, and this line says what will come out.";
        }
        StringBuilder out = new StringBuilder();
        int sheets = d.copies() * layout.pages().size();
        out.append(sheets == 1 ? article(d.stock().name()) : sheets + " " + d.stock().name() + " sheets").append(" of ").append(facts.pairing().get().paper())
            .append(" from ").append(Keywords.feed(d.settings().feed()));
        pictures(out, layout);
        out.append("; ").append(d.route() instanceof ColourRoute.ByWistel by
            ? "Wistel converts the colour (" + Words.intent(by.intent()) + (Words.compensatesBlack(by, facts) ? " with black point compensation" : "")
                + "), the driver leaves it alone"
            : "the driver converts the colour its own way, from sRGB");
        out.append("; ").append(Keywords.quality(d.settings().quality())).append(" quality");
        double seconds = seconds(d, facts, layout);
        if (seconds > 0) {
            out.append(seconds < 90 ? "; about " + Math.max(10, Math.round(seconds / 10) * 10) + " seconds" : "; about " + Math.round(seconds / 60) + " minutes");
        }
        return out.append('.').toString();
    }

    /** Printing alone, all pages and copies; 0 when nothing is known of it. */
    static double seconds(DocketSpec d, PreflightFacts facts, Layout layout) {
        return facts.secondsPerM2() * d.copies() * layout.pages().stream().mapToDouble(p -> p.areaMm2() / 1e6).sum();
    }

    private static void pictures(StringBuilder out, Layout layout) {
        if (layout.pages().size() > 1 || layout.pages().get(0).placed().size() != 1) {
            out.append(", ").append(layout.placed().size()).append(" pictures");
            return;
        }
        Page page = layout.pages().get(0);
        Placed placed = page.placed().get(0);
        Rect at = placed.atMm();
        out.append(", picture ").append(Length.mm(at.width())).append(" × ").append(Length.mm(at.height())).append(" mm");
        layout.losses().forEach(loss -> out.append(" with ").append(Words.percent(loss.share())).append(" cropped away"));
        double below = page.heightMm() - at.bottom();
        if (at.x() >= 0 && at.y() >= 0 && below >= 0) {
            out.append(", white ").append(Length.mm(at.x())).append(" mm at the sides, ").append(Length.mm(at.y())).append(" above and ")
                .append(Length.mm(below)).append(" below");
        }
    }

    private static String article(String sheet) {
        return ("AEIO".indexOf(sheet.charAt(0)) >= 0 ? "an " : "a ") + sheet + " sheet";
    }
}
