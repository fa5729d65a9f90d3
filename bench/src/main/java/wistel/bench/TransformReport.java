package wistel.bench;

import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * One thread, 16 bits in and out, on random pixels and on a photograph's: each family beside the JDK's CMM; what the fast form is, how long it
 * takes to make, its bytes, and how far it is from the exact chain by kinds of colours.
 */
final class TransformReport {
    private static final int PIXELS = 1 << 19;
    private static final int RUNS = 12;
    private static final int JUDGED = 4000;
    private static final int NEAR_GRAY = 2000;

    private TransformReport() {
    }

    static void run() throws Exception {
        ColourBench.awaitKernels();
        IccProfile press = ColourBench.destination("press");
        System.out.printf("%-44s %-36s %7s %7s  %s%n", "relative, black compensated", "fast form", "kB", "made ms",
            "Mpx/s random, photograph: JDK CMM; " + Kernels.SCALAR.name() + "; " + Kernels.best().name());
        for (IccProfile source : List.of(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB)) {
            for (String paper : List.of("skerry-baryta", "corrie-lustre", "heath-cotton", "moss-cotton", "tarn-canvas")) {
                line(source, ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/" + paper + ".icc"))));
            }
            line(source, press);
        }
        line(press, StandardSpaces.SRGB);
        line(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB);
    }

    private static void line(IccProfile from, IccProfile to) throws IOException {
        Recipe recipe = new Recipe.Convert(from, to, Intent.RELATIVE, true, Observer.ADAPTED);
        Transform scalar = made(recipe, Kernels.SCALAR);
        long start = System.nanoTime();
        Transform best = made(recipe, Kernels.best());
        double ms = (System.nanoTime() - start) / 1e6;
        char[] random = random(from.space().channels());
        char[] photograph = photograph(from.space().channels());
        System.out.printf(Locale.ROOT, "%-44s %-36s %7d %7.0f  %5.1f %5.1f; %5.1f %5.1f; %5.1f %5.1f%n",
            name(from) + " -> " + name(to), best.baked().kind(), best.baked().bytes() >> 10, ms, jdk(from, to, random),
            jdk(from, to, photograph), speed(scalar, random), speed(scalar, photograph), speed(best, random), speed(best, photograph));
        Transform look = TransformCompiler.toLab(to);
        StringBuilder errors = new StringBuilder("    CIEDE2000 mean, 99.9 %:");
        for (Kind kind : Kind.values()) {
            double[] off = errors(best, look, kind);
            errors.append(String.format(Locale.ROOT, "  %s %.3f, %.3f", kind.words, Arrays.stream(off).average().orElseThrow(),
                off[(int) Math.ceil(0.999 * off.length) - 1]));
        }
        System.out.println(errors);
    }

    private static String name(IccProfile profile) {
        String name = profile.description();
        return name.length() > 20 ? name.substring(0, 20) : name;
    }

    private static Transform made(Recipe recipe, KernelFamily family) {
        Transform made = TransformCompiler.compile(recipe, family);
        made.baked();
        return made;
    }

    private static double speed(Transform transform, char[] in) {
        int pixels = in.length / transform.inputs();
        char[] out = new char[pixels * transform.outputs()];
        return best(pixels, () -> transform.apply(in, 0, out, 0, pixels));
    }

    private static double jdk(IccProfile from, IccProfile to, char[] in) {
        int pixels = in.length / from.space().channels();
        ColorConvertOp convert = new ColorConvertOp(
            new ICC_Profile[] {ICC_Profile.getInstance(from.bytes()), ICC_Profile.getInstance(to.bytes())}, null);
        short[] samples = new short[in.length];
        for (int i = 0; i < in.length; i++) {
            samples[i] = (short) in[i];
        }
        WritableRaster source = raster(pixels, from.space().channels());
        System.arraycopy(samples, 0, ((DataBufferUShort) source.getDataBuffer()).getData(), 0, samples.length);
        WritableRaster destination = raster(pixels, to.space().channels());
        return best(pixels, () -> convert.filter(source, destination));
    }

    private static WritableRaster raster(int pixels, int channels) {
        return Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, 512, pixels / 512, channels, null);
    }

    /** Mpx/s of the quickest run. */
    private static double best(int pixels, Runnable run) {
        long best = Long.MAX_VALUE;
        for (int i = 0; i < RUNS; i++) {
            long start = System.nanoTime();
            run.run();
            best = Math.min(best, System.nanoTime() - start);
        }
        return 1000.0 * pixels / best;
    }

    private static char[] random(int channels) {
        SplittableRandom random = new SplittableRandom(5);
        char[] pixels = new char[channels * PIXELS];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) random.nextInt(65536);
        }
        return pixels;
    }

    /** The middle of a demo picture, with noise below its 8 bits; for four channels with most of its gray in black. */
    private static char[] photograph(int channels) throws IOException {
        BufferedImage picture = ImageIO.read(Path.of("demo/pictures/harbour-last-ferry.jpg").toFile());
        SplittableRandom random = new SplittableRandom(6);
        char[] pixels = new char[channels * PIXELS];
        int first = (picture.getWidth() * picture.getHeight() - PIXELS) / 2;
        for (int p = 0; p < PIXELS; p++) {
            int rgb = picture.getRGB((first + p) % picture.getWidth(), (first + p) / picture.getWidth());
            int black = channels == 4 ? 3 * (255 - Math.max(rgb >> 16 & 255, Math.max(rgb >> 8 & 255, rgb & 255))) / 4 : 0;
            for (int c = 0; c < 3; c++) {
                int code = (rgb >> 16 - 8 * c & 255) * 257 + random.nextInt(257) - 128;
                pixels[channels * p + c] = (char) Math.max(0, Math.min(65535, channels == 4 ? 65535 - code - 257 * black : code));
            }
            if (channels == 4) {
                pixels[4 * p + 3] = (char) (257 * black);
            }
        }
        return pixels;
    }

    private enum Kind {
        UNIFORM("uniform"), DARK("dark"), NEAR_GRAY("near gray"), RAMPS("ramps"), CORNERS("faces, corners");

        private final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    /** Sorted. */
    private static double[] errors(Transform transform, Transform look, Kind kind) {
        int n = transform.inputs();
        SplittableRandom random = new SplittableRandom(2026 + kind.ordinal());
        char[] in = new char[n * JUDGED];
        for (int s = 0; s < JUDGED; s++) {
            int gray = random.nextInt(65536);
            for (int c = 0; c < n; c++) {
                int any = random.nextInt(65536);
                in[n * s + c] = (char) Math.max(0, Math.min(65535, switch (kind) {
                    case UNIFORM -> any;
                    case DARK -> n == 4 ? 65535 - any / 4 : any / 4;
                    case NEAR_GRAY -> gray + any % (2 * NEAR_GRAY) - NEAR_GRAY;
                    case RAMPS -> (s / 256 % ((1 << n) - 1) + 1 >> c & 1) * 257 * (s % 256);
                    case CORNERS -> c == s % n ? any : any / 32768 * 65535;
                }));
            }
        }
        char[] fast = new char[transform.outputs() * JUDGED];
        char[] exact = fast.clone();
        transform.apply(in, 0, fast, 0, JUDGED);
        transform.exact(in, 0, exact, 0, JUDGED);
        char[] a = new char[3 * JUDGED];
        char[] b = new char[3 * JUDGED];
        look.exact(fast, 0, a, 0, JUDGED);
        look.exact(exact, 0, b, 0, JUDGED);
        double[] errors = new double[JUDGED];
        for (int s = 0; s < JUDGED; s++) {
            double[] one = LabEncoding.V4.lab(a, 3 * s).toArray();
            double[] other = LabEncoding.V4.lab(b, 3 * s).toArray();
            errors[s] = CieDe2000.between(one[0], one[1], one[2], other[0], other[1], other[2]);
        }
        Arrays.sort(errors);
        return errors;
    }
}
