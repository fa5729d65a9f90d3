package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.pictures.Orientation;

/** The marks round one picture: rule, cut marks, and the caption below it. */
final class AnnotationMarks {
    private static final double POINT_MM = 25.4 / 72;
    private static final double CUT_LENGTH_MM = 5;
    private static final double CUT_GAP_MM = 2;
    static final double HAIRLINE_MM = 0.1;
    private static final double CAPTION_GAP_MM = 3;
    private static final double SIGNATURE_MM = 45;
    /** Of a line of text, above and below its baseline, as a multiple of its size. */
    private static final double LINE = 1.3;

    private AnnotationMarks() {
    }

    /**
     * How far what stands round a picture reaches.
     *
     * @param sidesMm left, right and above
     */
    record Round(double sidesMm, double belowMm) {
    }

    static Round round(Edge edge, Annotation annotation) {
        if (edge.borderless()) {
            return new Round(0, 0);
        }
        double out = edge.bleedMm() + (annotation.ruleMm() > 0 ? annotation.ruleGapMm() + annotation.ruleMm() : 0)
            + (annotation.cutMarks() ? CUT_GAP_MM + CUT_LENGTH_MM : 0);
        Caption caption = annotation.caption();
        double below = caption.blank() ? out : out + CAPTION_GAP_MM + caption.sizePt() * POINT_MM * LINE;
        double mark = annotation.own().filter(m -> !m.over()).map(m -> m.insetMm() + m.heightMm()).orElse(0.0);
        boolean above = annotation.own().map(m -> m.spot().upper()).orElse(false);
        return above ? new Round(Math.max(out, mark), below) : new Round(out, Math.max(below, mark));
    }

    /** Round a picture that may lie turned to the right: they are turned with it. */
    static List<Mark> marks(Placed placed, Edge edge, Annotation annotation, CaptionText text) {
        Rect at = placed.atMm();
        if (placed.orientation() == Orientation.UPRIGHT) {
            return marks(at, edge, annotation, text);
        }
        Rect upright = new Rect(0, 0, placed.uprightWidthMm(), placed.uprightHeightMm());
        return marks(upright, edge, annotation, text).stream().map(mark -> mark.turnedRight(at))
            .toList();
    }

    static List<Mark> marks(Rect picture, Edge edge, Annotation annotation, CaptionText text) {
        List<Mark> marks = new ArrayList<>();
        annotation.laid(!edge.borderless()).ifPresent(m -> marks.add(m.stamp(m.at(picture), m.over() ? picture : m.at(picture))));
        if (edge.borderless()) {
            return marks;
        }
        double out = edge.bleedMm();
        if (annotation.ruleMm() > 0) {
            out += annotation.ruleGapMm() + annotation.ruleMm();
            rule(marks, picture, edge.bleedMm() + annotation.ruleGapMm() + annotation.ruleMm() / 2, annotation.ruleMm());
        }
        if (annotation.cutMarks()) {
            cuts(marks, picture, out + CUT_GAP_MM);
            out += CUT_GAP_MM + CUT_LENGTH_MM;
        }
        caption(marks, picture, out + CAPTION_GAP_MM, annotation.caption(), text);
        return marks;
    }

    private static void rule(List<Mark> marks, Rect p, double away, double width) {
        double half = width / 2;
        double left = p.x() - away;
        double right = p.right() + away;
        double top = p.y() - away;
        double bottom = p.bottom() + away;
        marks.add(new Mark.Line(left - half, top, right + half, top, width));
        marks.add(new Mark.Line(left - half, bottom, right + half, bottom, width));
        marks.add(new Mark.Line(left, top, left, bottom, width));
        marks.add(new Mark.Line(right, top, right, bottom, width));
    }

    private static void cuts(List<Mark> marks, Rect p, double away) {
        for (double x : new double[] {p.x(), p.right()}) {
            marks.add(new Mark.Line(x, p.y() - away, x, p.y() - away - CUT_LENGTH_MM, HAIRLINE_MM));
            marks.add(new Mark.Line(x, p.bottom() + away, x, p.bottom() + away + CUT_LENGTH_MM, HAIRLINE_MM));
        }
        for (double y : new double[] {p.y(), p.bottom()}) {
            marks.add(new Mark.Line(p.x() - away, y, p.x() - away - CUT_LENGTH_MM, y, HAIRLINE_MM));
            marks.add(new Mark.Line(p.right() + away, y, p.right() + away + CUT_LENGTH_MM, y, HAIRLINE_MM));
        }
    }

    /** Number, title, file name and dates from the left, the edition in the middle, a line to sign on at the right. */
    private static void caption(List<Mark> marks, Rect p, double below, Caption caption, CaptionText text) {
        double size = caption.sizePt();
        double baseline = p.bottom() + below + size * POINT_MM;
        String left = Stream.of(caption.title() ? text.title() : "", caption.fileName() ? text.file().name() : "",
            caption.taken() ? text.file().taken() : "", caption.date() ? text.date() : "").filter(s -> !s.isBlank())
            .collect(Collectors.joining(", "));
        if (caption.number()) {
            left = left.isEmpty() ? "" + text.number() : text.number() + "  " + left;
        }
        if (!left.isEmpty()) {
            marks.add(new Mark.Text(left, p.x(), baseline, size, 0, Mark.Anchor.START));
        }
        if (caption.edition() > 0) {
            boolean alone = left.isEmpty() && !caption.signature();
            marks.add(new Mark.Text(text.edition() + " of " + caption.edition(), alone ? p.x() : p.x() + p.width() / 2, baseline, size, 0,
                alone ? Mark.Anchor.START : Mark.Anchor.MIDDLE));
        }
        if (caption.signature()) {
            double length = Math.min(SIGNATURE_MM, p.width() / 3);
            marks.add(new Mark.Line(p.right() - length, baseline, p.right(), baseline, HAIRLINE_MM));
        }
    }
}
