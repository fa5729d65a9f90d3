package wistel.core.docket;

import java.util.Locale;
import java.util.stream.Collectors;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.Keywords;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Single;

/** The one plain sentence that says what happens if the docket is printed now. */
public final class Readback {
    private Readback() {
    }

    public static String of(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty()) {
            return "nothing yet: choose a paper, and this line says what will come out.";
        }
        StringBuilder out = new StringBuilder();
        int sheets = layout.pages().size() * d.copiesByPrinter();
        out.append(paper(d, layout, sheets)).append(" of ").append(facts.pairing().get().paper()).append(" from ").append(Keywords.feed(d.settings().feed()));
        pictures(out, d, layout);
        if (!d.annotation().caption().blank() && layout.pages().get(0).overMm() == 0) {
            out.append(", a caption below");
        }
        String treated = d.renditions().stream().map(Readback::rendition).filter(w -> !w.isEmpty()).distinct().collect(Collectors.joining("; "));
        if (!treated.isEmpty()) {
            out.append("; ").append(treated);
        }
        if (d.sharpening() != Sharpening.OFF) {
            out.append("; ").append(d.sharpening().name().toLowerCase(Locale.ROOT)).append(" sharpening");
        }
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
        return facts.secondsPerM2() * d.copiesByPrinter() * layout.pages().stream().mapToDouble(p -> p.areaMm2() / 1e6).sum();
    }

    private static void pictures(StringBuilder out, DocketSpec d, Layout layout) {
        if (!d.annotation().numbered() && layout.pages().size() > 1 || layout.pages().get(0).placed().size() != 1) {
            out.append(", ").append(layout.placed().size()).append(" pictures");
            return;
        }
        Page page = layout.pages().get(0);
        Placed placed = page.placed().get(0);
        Rect at = placed.atMm();
        out.append(", picture ").append(Length.mm(at.width())).append(" × ").append(Length.mm(at.height())).append(" mm");
        layout.losses().forEach(loss -> out.append(" with ").append(Words.percent(loss.share())).append(" cropped away"));
        double below = page.heightMm() - at.bottom();
        if (d.plan() instanceof Single single && single.edge().borderless()) {
            out.append(", to the edge").append(page.overMm() > 0 ? " and " + Length.mm(page.overMm()) + " mm over it" : "")
                .append(single.edge().bleedMm() > 0 ? ", where a mirrored edge is cut off" : "");
        } else if (at.x() >= 0 && at.y() >= 0 && below >= 0) {
            out.append(", white ").append(Length.mm(at.x())).append(" mm at the sides, ").append(Length.mm(at.y())).append(" above and ")
                .append(Length.mm(below)).append(" below");
        }
    }

    private static String rendition(Rendition r) {
        String treatment = r.treatment().changesNothing() ? "" : r.treatment().words();
        String moved = r.compensation().inForceWords();
        String compensated = moved.isEmpty() ? "" : r.compensation().kept().isPresent() ? "compensated by " + moved : "compensated: " + moved;
        return treatment.isEmpty() || compensated.isEmpty() ? treatment + compensated : treatment + ", " + compensated;
    }

    private static String paper(DocketSpec d, Layout layout, int sheets) {
        if (d.stock() instanceof Stock.Roll) {
            String length = Length.mm(layout.pages().get(0).fedHeightMm()) + " mm";
            return (sheets == 1 ? length : sheets + " times " + length) + " of the " + d.stock().name();
        }
        return sheets == 1 ? article(d.stock().name()) : sheets + " " + d.stock().name() + " sheets";
    }

    private static String article(String sheet) {
        return ("AEIO".indexOf(sheet.charAt(0)) >= 0 ? "an " : "a ") + sheet + " sheet";
    }
}
