package wistel.core.printer;

import wistel.core.length.Margins;
import wistel.core.length.Range;

/**
 * One combination of sheet, type and feed that a printer offers. Width is the short edge, which leads; custom sizes and rolls come as ranges. A
 * type or feed left empty stands for any.
 *
 * @param margins edges that it can't print in, as the sheet goes through: top is the leading edge
 */
public record MediaRow(String type, String feed, Range widthMm, Range lengthMm, Margins margins) {
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
}
