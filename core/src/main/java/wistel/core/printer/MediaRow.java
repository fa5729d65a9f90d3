package wistel.core.printer;

import wistel.core.length.Margins;
import wistel.core.length.Range;

/**
 * One combination of sheet, type and feed that a printer offers. Width is the short edge, which leads; custom sizes and rolls come as
 * ranges. A type or feed left empty stands for any.
 *
 * @param margins     edges that it can't print in, as the sheet goes through: top is the leading edge
 * @param thicknessMm of the paper that it takes
 */
public record MediaRow(String type, String feed, Range widthMm, Range lengthMm, Margins margins, Range thicknessMm) {
    public static final Range ANY_THICKNESS = new Range(0, 100);
    private static final double THICKNESS_TOLERANCE = 0.005;

    public MediaRow(String type, String feed, Range widthMm, Range lengthMm, Margins margins) {
        this(type, feed, widthMm, lengthMm, margins, ANY_THICKNESS);
    }

    /** It may be printed to all four edges. */
    public boolean borderless() {
        return margins.equals(Margins.NONE);
    }

    /** Cut from a roll: any length of a range. */
    public boolean roll() {
        return lengthMm.to() > lengthMm.from() && widthMm.to() == widthMm.from();
    }

    public boolean fits(double width, double length) {
        return widthMm.holds(width) && lengthMm.holds(length);
    }

    public boolean takes(String wantedType, String wantedFeed) {
        return (type.isEmpty() || type.equals(wantedType)) && (feed.isEmpty() || feed.equals(wantedFeed));
    }

    /** @param mm 0 when it isn't known: then it is not judged */
    public boolean takesThickness(double mm) {
        return mm == 0 || mm > thicknessMm.from() - THICKNESS_TOLERANCE && mm < thicknessMm.to() + THICKNESS_TOLERANCE;
    }

    /** The leading margin in hundredths of a millimetre, as IPP has it. */
    public String topMargin() {
        return Long.toString(Math.round(margins.top() * 100));
    }
}
