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
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/** Pixels per microsecond, that is Mpx/s, of sRGB16 to a paper profile; and the time to compile the transform. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class ColourBench {
    private static final int SIDE = 512;
    private static final int PIXELS = SIDE * SIDE;

    private final char[] in = new char[3 * PIXELS];
    private final char[] out = new char[3 * PIXELS];
    private IccProfile paper;
    private Transform transform;
    private ColorConvertOp referee;
    private BufferedImage refereeIn;
    private BufferedImage refereeOut;

    @Setup
    public void setup() throws Exception {
        paper = ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/skerry-baryta.icc")));
        transform = TransformCompiler.convert(StandardSpaces.SRGB, paper, Intent.RELATIVE, false);
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < in.length; i++) {
            in[i] = (char) random.nextInt(65536);
        }
        refereeIn = image(StandardSpaces.SRGB);
        refereeOut = image(paper);
        short[] data = ((DataBufferUShort) refereeIn.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < in.length; i++) {
            data[i] = (short) in[i];
        }
        referee = new ColorConvertOp(null);
    }

    private static BufferedImage image(IccProfile profile) {
        ComponentColorModel model = new ComponentColorModel(new ICC_ColorSpace(ICC_Profile.getInstance(profile.bytes())), false, false, Transparency.OPAQUE, DataBuffer.TYPE_USHORT);
        return new BufferedImage(model, Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, SIDE, SIDE, 3, null), false, null);
    }

    @Benchmark
    @OperationsPerInvocation(PIXELS)
    public char[] baked() {
        transform.apply(in, 0, out, 0, PIXELS);
        return out;
    }

    @Benchmark
    @OperationsPerInvocation(4096)
    public double exact() {
        double sum = 0;
        for (int i = 0; i < 4096; i++) {
            sum += transform.exact(in[3 * i] / 65535.0, in[3 * i + 1] / 65535.0, in[3 * i + 2] / 65535.0)[0];
        }
        return sum;
    }

    @Benchmark
    @OperationsPerInvocation(PIXELS)
    public BufferedImage jdkColorConvertOp() {
        return referee.filter(refereeIn, refereeOut);
    }

    @Benchmark
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MILLISECONDS)
    public Transform compile() {
        return TransformCompiler.convert(StandardSpaces.SRGB, paper, Intent.RELATIVE, true);
    }
}
