package wistel.core.icc.profile;

import java.util.List;
import wistel.core.colour.Bradford;
import wistel.core.colour.D50;
import wistel.core.colour.Matrix3;

/** Profiles of the published working spaces, made here from their standards' figures. */
public final class StandardSpaces {
    private static final double[] D65 = {0.3127 / 0.3290, 1, (1 - 0.3127 - 0.3290) / 0.3290};
    private static final double WIDER = 0.005;

    /** IEC 61966-2-1:1999. Primaries of ITU-R BT.709, white D65, the two-part curve. */
    public static final IccProfile SRGB = rgb("sRGB (IEC 61966-2-1)", D65,
        new double[] {0.64, 0.33, 0.30, 0.60, 0.15, 0.06}, new double[] {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045});

    /** Primaries of ITU-R BT.2020-2, white D65, gamma 2.2: wider than any paper. */
    public static final IccProfile WIDE_RGB = rgb("Wide RGB (BT.2020 primaries, gamma 2.2)", D65,
        new double[] {0.708, 0.292, 0.170, 0.797, 0.131, 0.046}, new double[] {2.2});

    /** Primaries of SMPTE EG 432-1 (P3), white D65, the two-part curve of sRGB: what CSS Color 4, 10.4 and most wider screens mean. */
    public static final IccProfile P3 = rgb("P3 (SMPTE EG 432-1 primaries, D65)", D65,
        new double[] {0.680, 0.320, 0.265, 0.690, 0.150, 0.060}, new double[] {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045});

    /** IEC 61966-2-5 (opRGB): primaries of sRGB but a wider green, white D65, gamma 563/256. */
    public static final IccProfile OPRGB = rgb("opRGB (IEC 61966-2-5)", D65, new double[] {0.64, 0.33, 0.21, 0.71, 0.15, 0.06},
        new double[] {563 / 256.0});

    /**
     * The profile connection space itself, XYZ of D50 (ICC.1:2022, 7.2.16), as three channels coded by gamma 1.8 with a straight start, as
     * ROMM RGB (ISO 22028-2) is. Half a percent wider than XYZ, as adapting to D50 leaves BT.2020's red with a Z of -0.002; ROMM RGB and
     * the primaries of ST 2065-1 miss that red or blue by 1.1 and 0.3 CIEDE2000.
     */
    public static final IccProfile CONNECTION = connection();

    /** A gray scale with gamma 2.2. */
    public static final IccProfile GRAY_22 = ProfileReader.read(
        new ProfileWriter(DeviceClass.DISPLAY, ColourSpace.GRAY, ColourSpace.XYZ, "Gray gamma 2.2", "No copyright, use freely")
            .xyz("wtpt", d50()).parametric("kTRC", 2.2).write());

    /** A gray scale with the curve of sRGB: what PWG 5102.4 calls sGray. */
    public static final IccProfile SGRAY = ProfileReader.read(
        new ProfileWriter(DeviceClass.DISPLAY, ColourSpace.GRAY, ColourSpace.XYZ, "sGray (curve of IEC 61966-2-1)",
            "No copyright, use freely")
            .xyz("wtpt", d50()).parametric("kTRC", 2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045).write());

    /** A gray scale whose numbers are L* (CIE 15, 8.2.1.1): 0 black, 1 white, even steps between. */
    public static final IccProfile GRAY_L = ProfileReader.read(
        new ProfileWriter(DeviceClass.DISPLAY, ColourSpace.GRAY, ColourSpace.XYZ, "Gray by L*", "No copyright, use freely")
            .xyz("wtpt", d50()).parametric("kTRC", 3, 1 / 1.16, 0.16 / 1.16, 27 / 24389.0 * 100, 0.08).write());

    /** Known without any file. */
    public static final List<IccProfile> ALL = List.of(SRGB, P3, OPRGB, WIDE_RGB, CONNECTION, GRAY_22, SGRAY, GRAY_L);

    private StandardSpaces() {
    }

    /** What is taken when a picture brings no profile: sRGB, or gray with gamma 2.2. */
    public static IccProfile assumedFor(int channels) {
        return channels == 1 ? GRAY_22 : SRGB;
    }

    private static IccProfile connection() {
        ProfileWriter writer = new ProfileWriter(DeviceClass.DISPLAY, ColourSpace.RGB, ColourSpace.XYZ,
            "Connection space (XYZ, D50, gamma 1.8)", "No copyright, use freely")
            .xyz("wtpt", d50()).xyz("rXYZ", axis(0)).xyz("gXYZ", axis(1)).xyz("bXYZ", axis(2));
        List.of("rTRC", "gTRC", "bTRC").forEach(curve -> writer.parametric(curve, 1.8, 1, 0, 1 / 16.0, 0.03125));
        return ProfileReader.read(writer.write());
    }

    private static double[] axis(int own) {
        double[] xyz = d50();
        for (int i = 0; i < 3; i++) {
            xyz[i] *= i == own ? 1 + 2 * WIDER : -WIDER;
        }
        return xyz;
    }

    private static double[] d50() {
        return new double[] {D50.X, D50.Y, D50.Z};
    }

    private static IccProfile rgb(String name, double[] white, double[] xy, double[] curve) {
        double[] primaries = new double[9];
        for (int i = 0; i < 3; i++) {
            double x = xy[2 * i];
            double y = xy[2 * i + 1];
            primaries[i] = x / y;
            primaries[3 + i] = 1;
            primaries[6 + i] = (1 - x - y) / y;
        }
        double[] s = Matrix3.times(Matrix3.inverse(primaries), white);
        double[] adapted = Matrix3.product(Bradford.toD50(white), Matrix3.product(primaries,
            new double[] {s[0], 0, 0, 0, s[1], 0, 0, 0, s[2]}));
        ProfileWriter writer = new ProfileWriter(DeviceClass.DISPLAY, ColourSpace.RGB, ColourSpace.XYZ, name, "No copyright, use freely")
            .xyz("wtpt", d50()).tag("chad", TagWriter.numbers(Bradford.toD50(white)));
        String[] channels = {"r", "g", "b"};
        for (int i = 0; i < 3; i++) {
            writer.xyz(channels[i] + "XYZ", new double[] {adapted[i], adapted[3 + i], adapted[6 + i]});
            writer.parametric(channels[i] + "TRC", curve);
        }
        return ProfileReader.read(writer.write());
    }
}
