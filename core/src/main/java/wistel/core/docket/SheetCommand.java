package wistel.core.docket;

import java.util.Optional;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Single;
import wistel.core.sheet.Wrap;

/** What a person decides of one picture on its sheet: which sheet, where it lies, what is round it. */
public sealed interface SheetCommand extends Command {
    /** @param feed that takes it, where the present one doesn't */
    record Stocked(Stock stock, Optional<String> feed) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec stocked = (d.plan() instanceof Wrap wrap ? d.withPlan(wrap.lying(stock)) : d).withStock(stock);
            return feed.map(f -> stocked.withSettings(d.settings().with(DriverSettings.FEED, f))).orElse(stocked);
        }

        @Override
        public String words() {
            return stock instanceof Stock.Sheet ? "sheet " + stock.name() : stock.name();
        }
    }

    record Framed(double widthMm, double heightMm) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().framed(widthMm, heightMm));
        }

        @Override
        public String words() {
            return "picture " + Length.mm(widthMm) + " × " + Length.mm(heightMm) + " mm";
        }
    }

    /** Laid there by hand: its borders are what is left of the paper. On a roll both ends get the leading border. */
    record Laid(Rect at) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().laid(at, d.stock()));
        }

        @Override
        public String words() {
            return "picture " + Length.mm(at.width()) + " × " + Length.mm(at.height()) + " mm, " + Length.mm(at.x()) + " from the left, " + Length.mm(at.y()) + " from above";
        }
    }

    record Turned() implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan() instanceof Wrap wrap ? wrap.turned() : d.single().turned());
        }

        @Override
        public String words() {
            return "sheet turned";
        }
    }

    record Fitted(Single.Fit fit) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().fitted(fit));
        }

        @Override
        public String words() {
            return fit == Single.Fit.FILL ? "fill the frame" : "all of the picture";
        }
    }

    /** Filled, in a frame that was worked out for it. */
    record Filled(double widthMm, double heightMm) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().fitted(Single.Fit.FILL).framed(widthMm, heightMm));
        }

        @Override
        public String words() {
            return "fill the frame";
        }
    }

    record Cropped(double cropX, double cropY) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan() instanceof Wrap wrap ? wrap.cropped(cropX, cropY) : d.single().cropped(cropX, cropY));
        }

        @Override
        public String words() {
            return "crop moved";
        }
    }

    /** Another part of the picture is wanted. */
    record Trimmed(Cut cut) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan() instanceof Wrap wrap ? wrap.cut(cut) : d.single().cut(cut));
        }

        @Override
        public String words() {
            return cut.whole() ? "all of the picture" : cut.degrees() == 0 ? "crop" : "crop, straightened by " + Math.round(cut.degrees() * 10) / 10.0 + "°";
        }
    }

    record Edged(Edge edge) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Single edged = d.single().edged(edge);
            // printed to the edge, white is not what is meant
            return d.withPlan(edge.borderless() && !d.single().edge().borderless() ? edged.fitted(Single.Fit.FILL) : edged);
        }

        @Override
        public String words() {
            String bleed = edge.bleedMm() > 0 ? "mirrored bleed of " + Length.mm(edge.bleedMm()) + " mm" : "";
            return !edge.borderless() ? bleed.isEmpty() ? "with borders" : bleed : bleed.isEmpty() ? "borderless" : "borderless, " + bleed;
        }
    }

    record Bordered(Borders borders) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().bordered(borders));
        }

        @Override
        public String words() {
            if (borders instanceof Borders.Sides s) {
                return "borders of " + Length.mm(s.top()) + ", " + Length.mm(s.right()) + ", " + Length.mm(s.bottom()) + " and " + Length.mm(s.left()) + " mm";
            }
            return borders instanceof Borders.HeavierFoot ? "heavier foot" : "even borders";
        }
    }

    /** Caption, rule and cut marks. */
    record Annotated(Annotation annotation) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withAnnotation(annotation);
        }

        @Override
        public String words() {
            return "what is written and drawn round the picture";
        }
    }
}
