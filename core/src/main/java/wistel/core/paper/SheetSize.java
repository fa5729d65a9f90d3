package wistel.core.paper;

import java.util.List;
import java.util.Optional;

/**
 * A sheet as it lies in the feed, short edge leading.
 *
 * @param name    as people say it
 * @param ippName self-describing media name (PWG 5101.1)
 */
public record SheetSize(String name, String ippName, double widthMm, double heightMm) {
    public static final List<SheetSize> KNOWN = List.of(
        new SheetSize("A4", "iso_a4_210x297mm", 210, 297),
        new SheetSize("A3", "iso_a3_297x420mm", 297, 420),
        new SheetSize("A3+", "om_a3-plus_329x483mm", 329, 483),
        new SheetSize("A2", "iso_a2_420x594mm", 420, 594),
        new SheetSize("Letter", "na_letter_8.5x11in", 215.9, 279.4),
        new SheetSize("17 x 22 in", "na_ansi-c_17x22in", 431.8, 558.8));

    /** The known size within half a millimetre of these, short side first. */
    public static Optional<SheetSize> near(double widthMm, double heightMm) {
        return KNOWN.stream().filter(s -> Math.abs(s.widthMm - widthMm) < 0.6 && Math.abs(s.heightMm - heightMm) < 0.6).findFirst();
    }
}
