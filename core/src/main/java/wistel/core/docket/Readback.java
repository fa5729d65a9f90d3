package wistel.core.docket;

import wistel.core.docket.DocketSpec.ColourBy;
import wistel.core.length.Length;
import wistel.core.paper.SheetSize;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Placement;

/** The one plain sentence that says what happens if the docket is printed now. */
public final class Readback {
    private Readback() {
    }

    public static String of(DocketSpec d, PreflightFacts s) {
        if (s.pairing().isEmpty()) {
            return "nothing yet: choose a paper, and this line says what will come out.";
        }
        Placement p = Preflight.place(d, s);
        SheetSize sheet = Preflight.sheet(d);
        StringBuilder out = new StringBuilder();
        out.append(d.copies() == 1 ? article(sheet.name()) : d.copies() + " " + sheet.name() + " sheets").append(" of ").append(s.pairing().get().paper())
            .append(" from ").append(Keywords.feed(d.machine().feed())).append(", picture ").append(Length.mm(p.width())).append(" × ")
            .append(Length.mm(p.height())).append(" mm");
        if (p.lostShare() > 0.0005) {
            out.append(" with ").append(Preflight.percent(p.lostShare())).append(" cropped away");
        }
        double side = (p.sheetWidthMm() - p.width()) / 2;
        double above = p.y();
        double below = p.sheetHeightMm() - p.y() - p.height();
        if (side >= 0 && above >= 0 && below >= 0) {
            out.append(", white ").append(Length.mm(side)).append(" mm at the sides, ").append(Length.mm(above)).append(" above and ")
                .append(Length.mm(below)).append(" below");
        }
        out.append("; ").append(d.machine().colourBy() == ColourBy.WISTEL
            ? "Wistel converts the colour (" + intent(d) + "), the driver leaves it alone"
            : "the driver converts the colour its own way, from sRGB");
        out.append("; ").append(Keywords.quality(d.machine().quality())).append(" quality");
        double seconds = s.secondsPerM2() * p.sheetWidthMm() * p.sheetHeightMm() / 1e6 * d.copies();
        if (seconds > 0) {
            out.append(seconds < 90 ? "; about " + Math.max(10, Math.round(seconds / 10) * 10) + " seconds" : "; about " + Math.round(seconds / 60) + " minutes");
        }
        return out.append('.').toString();
    }

    private static String intent(DocketSpec d) {
        String name = switch (d.proof().intent()) {
            case PERCEPTUAL -> "perceptual";
            case RELATIVE -> "relative colorimetric";
            case SATURATION -> "saturation";
            case ABSOLUTE -> "absolute colorimetric";
        };
        return d.proof().compensatesBlack() ? name + " with black point compensation" : name;
    }

    private static String article(String sheet) {
        return ("AEIO".indexOf(sheet.charAt(0)) >= 0 ? "an " : "a ") + sheet + " sheet";
    }
}
