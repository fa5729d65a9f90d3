package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.changes.WrapCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.paper.Surface;
import wistel.core.pictures.DetailMap;
import wistel.core.pictures.SideFill;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;

/** A print that goes round a body: whether it fits its paper, can be fixed behind, and what its folds do to the picture. */
final class WrapRule implements Rule {
    /** Depths that bars usually come in. */
    private static final List<Double> USUAL_DEPTHS_MM = List.of(45.0, 38.0, 18.0);
    private static final double LEAST_TO_STAPLE_MM = 15;
    private static final double LEAST_TO_GLUE_MM = 10;
    private static final double ENOUGH_MM = 25;
    /** Beside a fold a picture bends, and fingers and frames come near. */
    private static final double NEAR_FOLD_MM = 10;
    /** So many times the picture's mean detail is a busy edge. */
    private static final double BUSY = 1.5;
    private static final double HARDLY_ANYTHING = 0.004;
    /** Papers thicker than this break at a board's edge rather than fold. */
    private static final double FOLDS_UP_TO_MM = 0.35;
    private static final double SMALLEST_SCALE = 0.3;
    private static final double HARDLY_MM = 0.05;

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        Wrap wrap = d.wrap().plan();
        Item item = d.wrap().item();
        List<Finding> found = new ArrayList<>();
        if (wrap.fits(d.stock())) {
            unprintable(d, facts, wrap, layout).ifPresent(found::add);
        } else {
            found.add(tooLarge(d, facts, wrap));
        }
        turnOver(wrap).ifPresent(found::add);
        detail(facts, item, layout).ifPresent(found::add);
        layout.losses()
            .forEach(loss -> found.add(
                Finding
                    .note(Stage.SIZE, Code.NOT_ON_FACE, DocketPhrases.percent(loss.share()) + " of the picture isn't on the face.",
                        lost(wrap))
                    .of(new Subject.OfPiece(loss.itemId()))));
        material(d, facts, wrap, found);
        return found.stream();
    }

    private static String lost(Wrap wrap) {
        String round = wrap.fill() instanceof SideFill.Itself ? "It goes round the sides" : "It is cropped away";
        return wrap.panels().count() > 1 ? round + ", or lies behind the gaps between the pieces." : round + ".";
    }

    private static Finding tooLarge(DocketSpec d, PreflightFacts facts, Wrap wrap) {
        List<Fix> fixes = new ArrayList<>();
        if (wrap.turned().fits(d.stock())) {
            fixes.add(new Fix("Turn it on the paper", new SheetCommand.Turned()));
        }
        facts.stocks(d).filter(s -> wrap.onStock(s).fits(s)).findFirst()
            .ifPresent(s -> fixes.add(new Fix("Take " + RuleWords.size(s), new SheetCommand.Stocked(s, facts.feedFor(d, s)))));
        shallower(d, wrap).ifPresent(fixes::add);
        smaller(d, wrap).ifPresent(fixes::add);
        String need = Length.mm(wrap.neededWidthMm()) + " × " + Length.mm(wrap.neededLengthMm()) + " mm";
        return Finding.stop(Stage.SIZE, Code.WRAP_TOO_LARGE,
            "Face, sides and turn-over need " + need + " of " + RuleWords.size(d.stock()) + ", which is " + Length.mm(d.stock().widthMm())
                + " mm wide" + (d.stock() instanceof Stock.Sheet s ? " and " + Length.mm(s.lengthMm()) + " mm long" : "") + ".",
            "The print would lack a part of what goes round.", fixes.toArray(Fix[]::new));
    }

    private static Optional<Fix> shallower(DocketSpec d, Wrap wrap) {
        WrapBody b = wrap.body();
        return USUAL_DEPTHS_MM.stream().filter(depth -> b.support().kind() == WrapBody.Kind.BARS && depth < b.support().depthMm())
            .map(depth -> wrap.around(b.on(new WrapBody.Support(WrapBody.Kind.BARS, depth, 0))).onStock(d.stock()))
            .filter(w -> w.fits(d.stock())).findFirst()
            .map(w -> new Fix("Take bars of " + Length.mm(w.body().support().depthMm()) + " mm", new WrapCommand.Wraps(w)));
    }

    /** A face of the same shape that fits, in whole millimetres of its width. */
    private static Optional<Fix> smaller(DocketSpec d, Wrap wrap) {
        WrapBody b = wrap.body();
        for (double width = Math.floor(b.faceWidthMm()) - 1; width >= SMALLEST_SCALE * b.faceWidthMm(); width--) {
            double height = b.faceHeightMm() * width / b.faceWidthMm();
            if (2 * b.support().totalMm() > Math.min(width, height)) {
                return Optional.empty();
            }
            Wrap next = wrap.around(b.sized(width, height)).onStock(d.stock());
            if (next.fits(d.stock())) {
                return Optional
                    .of(new Fix("Make the face " + Length.mm(width) + " × " + Length.mm(height) + " mm", new WrapCommand.Wraps(next)));
            }
        }
        return Optional.empty();
    }

    private static Optional<Finding> unprintable(DocketSpec d, PreflightFacts facts, Wrap wrap, Layout layout) {
        Page page = layout.pages().get(0);
        // the first length is the fullest one
        double over = wrap.lines(layout).stream().limit(page.placed().size()).map(Wrap.Lines::shownMm)
            .mapToDouble(shown -> Math.max(
                Math.max(page.unprintable().left() - shown.x(), shown.right() - page.widthMm() + page.unprintable().right()),
                Math.max(page.unprintable().top() - shown.y(), shown.bottom() - page.heightMm() + page.unprintable().bottom())))
            .max().orElse(0);
        return over <= HARDLY_MM ? Optional.empty() : Optional.of(Finding.stop(Stage.SIZE, Code.WRAP_ON_UNPRINTABLE_EDGE,
            "The sides run into the edge that " + facts.described().feed(d.settings().feed()) + " can't print.",
            "Up to " + Length.mm(over) + " mm of a side would stay white."));
    }

    private static Optional<Finding> turnOver(Wrap wrap) {
        WrapBody b = wrap.body();
        boolean bars = b.support().kind() == WrapBody.Kind.BARS;
        double least = bars ? LEAST_TO_STAPLE_MM : LEAST_TO_GLUE_MM;
        WrapBody.TurnOver t = b.turnOver();
        if (t.widthMm() >= least) {
            return Optional.empty();
        }
        WrapBody more = b.turnedOver(new WrapBody.TurnOver(ENOUGH_MM, t.playMm(), t.printed(), t.bleedMm()));
        return Optional.of(Finding.look(Stage.SIZE, Code.TURN_OVER_SMALL, "Only " + Length.mm(t.widthMm()) + " mm are turned over.",
            bars ? "That is hard to pull and to staple; 20 to 30 mm hold well." : "That is little to glue down.",
            new Fix("Turn over " + Length.mm(ENOUGH_MM) + " mm", new WrapCommand.Wraps(wrap.around(more)))));
    }

    /** Edges of a face with more to see near them than in the picture at large. */
    private static Optional<Finding> detail(PreflightFacts facts, Item item, Layout layout) {
        PreflightFacts.Picture picture = facts.pictures().get(item.renditionId());
        if (picture.detail().isEmpty() || item.cut().degrees() != 0) {
            return Optional.empty();
        }
        List<String> busy = new ArrayList<>();
        List<Placed> prints = layout.placed();
        for (int i = 0; i < prints.size(); i++) {
            Placed placed = prints.get(i);
            String of = prints.size() > 1 ? " of piece " + (i + 1) : "";
            edges(picture, placed, picture.detail().get()).forEach(edge -> busy.add("the " + edge + of));
        }
        return busy.isEmpty() ? Optional.empty() : Optional.of(Finding.note(Stage.SIZE, Code.DETAIL_NEAR_FOLD,
            "There is much to see within " + Length.mm(NEAR_FOLD_MM) + " mm of " + listed(busy) + ".",
            "It bends round the edge, and a fold is never quite where it was meant: look at the body, and move the crop if something "
                + "important lies there.")
            .of(new Subject.OfPiece(item.id())));
    }

    private static String listed(List<String> words) {
        return words.size() > 4 ? words.size() + " edges" : words.stream().collect(Collectors.joining(", "));
    }

    private static List<String> edges(PreflightFacts.Picture picture, Placed placed, DetailMap detail) {
        Placed face = placed.face();
        SheetPlan.PixelSize size = picture.size();
        double x = face.crop().x() / size.width();
        double y = face.crop().y() / size.height();
        double w = face.crop().width() / size.width();
        double h = face.crop().height() / size.height();
        double perX = w / face.atMm().width();
        double perY = h / face.atMm().height();
        double nearX = Math.min(w / 2, NEAR_FOLD_MM * perX);
        double nearY = Math.min(h / 2, NEAR_FOLD_MM * perY);
        double usual = Math.max(HARDLY_ANYTHING, BUSY * detail.in(x, y, w, h));
        List<String> busy = new ArrayList<>();
        if (detail.in(x, y, nearX, h) > usual) {
            busy.add("left edge");
        }
        if (detail.in(x + w - nearX, y, nearX, h) > usual) {
            busy.add("right edge");
        }
        if (detail.in(x, y, w, nearY) > usual) {
            busy.add("upper edge");
        }
        if (detail.in(x, y + h - nearY, w, nearY) > usual) {
            busy.add("lower edge");
        }
        return busy;
    }

    private static void material(DocketSpec d, PreflightFacts facts, Wrap wrap, List<Finding> found) {
        if (facts.pairing().isEmpty()) {
            return;
        }
        boolean canvas = Surface.of(facts.pairing().get().surface()) == Surface.CANVAS;
        boolean bars = wrap.body().support().kind() == WrapBody.Kind.BARS;
        String paper = facts.pairing().get().paper();
        if (bars && !canvas) {
            found.add(Finding.look(Stage.SIZE, Code.BARS_WANT_CANVAS, paper + " is no canvas.",
                "Paper tears when it is pulled over bars: take canvas, or a board to glue it on."));
        }
        if (!bars && (canvas || wrap.body().thicknessMm() > FOLDS_UP_TO_MM)) {
            found.add(Finding.look(Stage.SIZE, Code.BOARD_WANTS_THIN_PAPER,
                paper + (canvas ? " is canvas." : " is " + Length.mm(wrap.body().thicknessMm()) + " mm thick or more."),
                "It doesn't fold sharply over the edge of a board; thin paper does."));
        }
        if (bars && canvas && wrap.body().growth().isEmpty()) {
            found.add(Finding.note(Stage.SIZE, Code.STRETCH_UNKNOWN, "How much this canvas gives when it is stretched isn't known.",
                "The face comes out a few millimetres larger than it is printed. Measure a printed face before and after stretching, and "
                    + "enter both."));
        }
        cutter(d, facts, canvas, found);
        if (canvas && bars) {
            found.add(Finding.note(Stage.RELEASE, Code.DRY_BEFORE_STRETCHING, "Let the print dry for a day before it is stretched.",
                "Ink that isn't dry cracks or smears at the folds; a coat of varnish wants the same."));
        }
    }

    private static void cutter(DocketSpec d, PreflightFacts facts, boolean canvas, List<Finding> found) {
        if (canvas && facts.cuts(d) && d.stock() instanceof Stock.Roll) {
            found.add(Finding.look(Stage.MACHINE, Code.CUTTER_AND_CANVAS, "The printer would cut the canvas itself.",
                "Its blade frays canvas and is blunt after a few cuts: cut it by hand.",
                Fix.uncut()));
        }
    }
}
