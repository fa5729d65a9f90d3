package wistel.standin.room;

import java.io.IOException;
import java.io.OutputStream;
import java.util.SplittableRandom;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.LabScan;
import wistel.core.render.RasterSink;
import wistel.core.render.TiffSink;

/**
 * An ordinary flatbed scanner: RGB by its own curve, which isn't quite what its profile says; light that scatters into dark places and
 * falls off towards the ends of the glass; a sheet that lies a little askew.
 */
public final class Flatbed {
    private static final double GAMMA = 1.85;
    private static final double TOLD_GAMMA = 1.8;
    private static final double GAIN = 0.93;
    private static final double FLARE = 0.006;
    private static final double FALLS_OFF = 0.06;
    private static final double NOISE = 0.0015;
    private static final double ASKEW_DEGREES = 0.8;
    private static final int FINER = 2;
    private static final int ROWS = 64;

    private final LabScan sheet;
    private final SplittableRandom random = new SplittableRandom(7);

    public Flatbed(LabScan sheet) {
        this.sheet = sheet;
    }

    /** Writes what it scans, as a 16-bit TIFF. */
    public void scan(OutputStream out) throws IOException {
        int width = FINER * sheet.width();
        int height = FINER * sheet.height();
        Transform toLight = TransformCompiler.compile(new Recipe.FromLab(light(1), Intent.ABSOLUTE));
        char[] light = toLight.apply(sheet.pixels());
        TiffSink tiff = new TiffSink(width, height, 16, 3, FINER * sheet.dpi(), light(TOLD_GAMMA).bytes(), new byte[0]);
        tiff.begin(out, ROWS);
        for (int top = 0; top < height; top += ROWS) {
            int rows = Math.min(ROWS, height - top);
            char[] band = new char[3 * width * rows];
            for (int y = 0; y < rows; y++) {
                row(light, band, y, top + y, width, height);
            }
            RasterSink.Packed packed = tiff.pack(band, top, rows);
            out.write(packed.bytes(), 0, packed.size());
        }
    }

    private void row(char[] light, char[] band, int to, int y, int width, int height) {
        double sin = Math.sin(Math.toRadians(ASKEW_DEGREES));
        double cos = Math.cos(Math.toRadians(ASKEW_DEGREES));
        for (int x = 0; x < width; x++) {
            double u = x - width / 2.0;
            double v = y - height / 2.0;
            double sx = (cos * u + sin * v + width / 2.0) / FINER;
            double sy = (cos * v - sin * u + height / 2.0) / FINER;
            double lit = 1 - FALLS_OFF * (Math.pow(2 * u / width, 2) + Math.pow(2 * v / height, 2)) / 2;
            for (int c = 0; c < 3; c++) {
                double signal = GAIN * lit * at(light, sx, sy, c) + FLARE + NOISE * (random.nextDouble() - 0.5);
                band[3 * (to * width + x) + c] = (char) Math.round(65535 * Math.pow(Math.max(0, Math.min(1, signal)), 1 / GAMMA));
            }
        }
    }

    /** Between pixels by straight lines; the lid is white. */
    private double at(char[] light, double x, double y, int c) {
        int x0 = (int) Math.floor(x - 0.5);
        int y0 = (int) Math.floor(y - 0.5);
        double fx = x - 0.5 - x0;
        double fy = y - 0.5 - y0;
        return (1 - fy) * ((1 - fx) * pixel(light, x0, y0, c) + fx * pixel(light, x0 + 1, y0, c))
            + fy * ((1 - fx) * pixel(light, x0, y0 + 1, c) + fx * pixel(light, x0 + 1, y0 + 1, c));
    }

    private double pixel(char[] light, int x, int y, int c) {
        return x < 0 || y < 0 || x >= sheet.width() || y >= sheet.height() ? 1 : light[3 * (y * sheet.width() + x) + c] / 65535.0;
    }

    /** The primaries of sRGB with another curve. */
    private static IccProfile light(double gamma) {
        ProfileWriter writer = new ProfileWriter(DeviceClass.INPUT, ColourSpace.RGB, ColourSpace.XYZ, "Flatbed, gamma " + gamma,
            "No copyright, use freely");
        for (String tag : new String[] {"wtpt", "rXYZ", "gXYZ", "bXYZ"}) {
            writer.tag(tag, StandardSpaces.SRGB.tag(tag).orElseThrow());
        }
        for (String curve : new String[] {"rTRC", "gTRC", "bTRC"}) {
            writer.parametric(curve, gamma);
        }
        return ProfileReader.read(writer.write());
    }
}
