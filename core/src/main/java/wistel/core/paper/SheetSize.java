package wistel.core.paper;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wistel.core.length.Length;

/**
 * A sheet as it lies in the feed, short edge leading.
 *
 * @param name    as people say it
 * @param ippName self-describing media name (PWG 5101.1)
 */
public record SheetSize(String name, String ippName, double widthMm, double heightMm) {
    public static final SheetSize A4 = new SheetSize("A4", "iso_a4_210x297mm", 210, 297);

    /** The sizes that papers are sold in, from small to large; the names are those of PWG 5101.1 where it has one. */
    public static final List<SheetSize> KNOWN = List.of(
        inches("4 × 6 in", "na_index-4x6_4x6in", 4, 6), inches("5 × 7 in", "na_5x7_5x7in", 5, 7),
        new SheetSize("A5", "iso_a5_148x210mm", 148, 210),
        inches("8 × 10 in", "na_govt-letter_8x10in", 8, 10), inches("8 × 12 in", "custom_8x12_8x12in", 8, 12), A4,
        inches("Letter", "na_letter_8.5x11in", 8.5, 11), inches("Legal", "na_legal_8.5x14in", 8.5, 14),
        new SheetSize("Panorama 210 × 594", "custom_panorama_210x594mm", 210, 594),
        inches("11 × 14 in", "na_edp_11x14in", 11, 14), inches("11 × 17 in", "na_ledger_11x17in", 11, 17),
        new SheetSize("A3", "iso_a3_297x420mm", 297, 420),
        inches("12 × 18 in", "na_arch-b_12x18in", 12, 18), new SheetSize("A3+", "om_a3-plus_329x483mm", 329, 483),
        inches("13 × 19 in", "na_super-b_13x19in", 13, 19),
        new SheetSize("Panorama 329 × 1200", "custom_panorama_329x1200mm", 329, 1200), inches("16 × 20 in", "custom_16x20_16x20in", 16, 20),
        inches("16 × 24 in", "custom_16x24_16x24in", 16, 24), new SheetSize("A2", "iso_a2_420x594mm", 420, 594),
        inches("17 × 22 in", "na_ansi-c_17x22in", 17, 22),
        inches("17 × 25 in", "custom_17x25_17x25in", 17, 25), inches("20 × 24 in", "custom_20x24_20x24in", 20, 24),
        inches("24 × 36 in", "na_arch-d_24x36in", 24, 36));

    /** Earlier versions wrote a plain x between inches. */
    private static final String FORMER_17_22 = "17 x 22 in";
    private static final double TOLERANCE = 0.6;

    private static SheetSize inches(String name, String ippName, double width, double height) {
        return new SheetSize(name, ippName, width * Length.MM_PER_INCH, height * Length.MM_PER_INCH);
    }

    public static Optional<SheetSize> named(String name) {
        String now = name.equals(FORMER_17_22) ? "17 × 22 in" : name;
        return KNOWN.stream().filter(s -> s.name.equals(now)).findFirst();
    }

    /** The known size closest to these, within half a millimetre, short side first. */
    public static Optional<SheetSize> near(double widthMm, double heightMm) {
        return KNOWN.stream().filter(s -> Math.abs(s.widthMm - widthMm) < TOLERANCE && Math.abs(s.heightMm - heightMm) < TOLERANCE)
            .min((a, b) -> Double.compare(a.distance(widthMm, heightMm), b.distance(widthMm, heightMm)));
    }

    private double distance(double width, double height) {
        return Math.abs(widthMm - width) + Math.abs(heightMm - height);
    }

    /** The self-describing name of any size. */
    public static String ippName(double widthMm, double heightMm) {
        return near(widthMm, heightMm).map(SheetSize::ippName)
            .orElseGet(() -> String.format(Locale.ROOT, "custom_sheet_%sx%smm", Length.mm(widthMm), Length.mm(heightMm)));
    }
}
