package wistel.bench;

import java.awt.Transparency;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.vector.VectorKernels;

/**
 * Milliseconds for a view of 2400 x 1600 through the engine, and for an eighth of it through the JDK's own CMM and the exact chain. The
 * data is a picture-like field: slow waves of colour with grain.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 2)
public class ColourBench {
    static final int WIDTH = 2400;
    static final int HEIGHT = 1600;
    static final int PIXELS = WIDTH * HEIGHT;
    /** The slow ones get an eighth of the view. */
    static final int FEW = PIXELS / 8;

    /** Destination: a matrix space, the demo's paper (RGB table), a press (CMYK table). */
    @Param({"matrix", "rgb-table", "cmyk-table"})
    public String through;

    private char[] in;
    private char[] out;
    private IccProfile destination;
    private Transform transform;
    private ColorConvertOp referee;
    private BufferedImage refereeIn;
    private BufferedImage refereeOut;

    @Setup(Level.Trial)
    public void setup() throws Exception {
        awaitKernels();
        destination = destination(through);
        transform = TransformCompiler.convert(StandardSpaces.SRGB, destination, Intent.RELATIVE, true);
        in = picture();
        out = new char[destination.space().channels() * PIXELS];
        refereeIn = image(StandardSpaces.SRGB);
        refereeOut = image(destination);
        short[] data = ((DataBufferUShort) refereeIn.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < data.length; i++) {
            data[i] = (short) in[i];
        }
        referee = new ColorConvertOp(null);
    }

    static void awaitKernels() throws InterruptedException {
        if (Kernels.best() instanceof VectorKernels vector) {
            vector.awaitWarm();
        }
    }

    static IccProfile destination(String through) throws Exception {
        return switch (through) {
            case "matrix" -> StandardSpaces.WIDE_RGB;
            case "rgb-table" -> ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/skerry-baryta.icc")));
            default -> press();
        };
    }

    /** The offset profile that a PDF library ships, as in the tests. */
    private static IccProfile press() throws Exception {
        try (InputStream in = ColourBench.class.getResourceAsStream("/org/apache/pdfbox/resources/icc/ISOcoated_v2_300_bas.icc")) {
            return ProfileReader.read(in.readAllBytes());
        }
    }

    static char[] picture() {
        SplittableRandom random = new SplittableRandom(1);
        char[] pixels = new char[3 * PIXELS];
        for (int p = 0; p < PIXELS; p++) {
            double x = (p % WIDTH) / 300.0;
            double y = (p / WIDTH) / 230.0;
            for (int c = 0; c < 3; c++) {
                double v = 32768 + 30000 * Math.sin(x + c) * Math.cos(y + 2 * c) + random.nextInt(1200) - 600;
                pixels[3 * p + c] = (char) Math.max(0, Math.min(65535, v));
            }
        }
        return pixels;
    }

    private static BufferedImage image(IccProfile profile) {
        ComponentColorModel model = new ComponentColorModel(new ICC_ColorSpace(ICC_Profile.getInstance(profile.bytes())), false, false,
            Transparency.OPAQUE, DataBuffer.TYPE_USHORT);
        return new BufferedImage(model,
            Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, WIDTH, HEIGHT / 8, profile.space().channels(), null), false, null);
    }

    @Benchmark
    public char[] oneThread() {
        transform.apply(in, 0, out, 0, PIXELS);
        return out;
    }

    @Benchmark
    public char[] allProcessors() {
        transform.applyInStrips(in, out, PIXELS);
        return out;
    }

    @Benchmark
    public char[] exactChain() {
        transform.exact(in, 0, out, 0, FEW);
        return out;
    }

    @Benchmark
    public BufferedImage jdkColorConvertOp() {
        return referee.filter(refereeIn, refereeOut);
    }

    @Benchmark
    public Transform compile() {
        return TransformCompiler.convert(StandardSpaces.SRGB, destination, Intent.RELATIVE, true);
    }
}
