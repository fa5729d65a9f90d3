package wistel.standin.room;

import java.util.SplittableRandom;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.pictures.LabScan;

/** The spectrophotometer: reads a spot of a dry sheet, 3 mm across, with a noise of a few hundredths of an L* unit. */
public final class Instrument {
    private static final double APERTURE_MM = 3;
    private static final double NOISE = 0.04;

    private final LabScan sheet;
    private final SplittableRandom random;

    /** @param seed the same seed reads the same noise */
    public Instrument(LabScan sheet, long seed) {
        this.sheet = sheet;
        this.random = new SplittableRandom(seed);
    }

    /** @throws IllegalArgumentException when the spot lies off the sheet */
    public Lab read(double xMm, double yMm) {
        double perMm = sheet.dpi() / 25.4;
        int x0 = (int) Math.ceil((xMm - APERTURE_MM / 2) * perMm);
        int y0 = (int) Math.ceil((yMm - APERTURE_MM / 2) * perMm);
        int x1 = (int) Math.floor((xMm + APERTURE_MM / 2) * perMm);
        int y1 = (int) Math.floor((yMm + APERTURE_MM / 2) * perMm);
        if (x0 < 0 || y0 < 0 || x1 > sheet.width() || y1 > sheet.height()) {
            throw new IllegalArgumentException("spot at " + xMm + ", " + yMm + " mm");
        }
        double[] sum = new double[3];
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                Lab lab = LabEncoding.V4.lab(sheet.pixels(), 3 * (y * sheet.width() + x));
                sum[0] += lab.l();
                sum[1] += lab.a();
                sum[2] += lab.b();
            }
        }
        double n = (x1 - x0) * (y1 - y0);
        return new Lab(sum[0] / n + noise(), sum[1] / n + noise(), sum[2] / n + noise());
    }

    private double noise() {
        return NOISE * (random.nextDouble() + random.nextDouble() + random.nextDouble() - 1.5) * 2;
    }
}
