package wistel.bench;

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
import wistel.core.icc.gamut.GamutCheck;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.ProofView;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.TransformCompiler;

/** A proof's whole way, sRGB to the destination and back to a display, and the gamut map of the same view. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 2)
public class ProofBench {
    @Param({"rgb-table", "cmyk-table"})
    public String through;

    private char[] in;
    private char[] out;
    private IccProfile printer;
    private Transform proof;
    private GamutCheck gamut;
    private float[] distance;

    @Setup(Level.Trial)
    public void setup() throws Exception {
        ColourBench.awaitKernels();
        printer = ColourBench.destination(through);
        proof = compileProof();
        gamut = new GamutCheck(StandardSpaces.SRGB, printer);
        in = ColourBench.picture();
        out = new char[in.length];
        distance = new float[ColourBench.PIXELS];
    }

    @Benchmark
    public Transform compileProof() {
        return TransformCompiler
            .compile(new Recipe.Proof(StandardSpaces.SRGB, printer, Intent.RELATIVE, true, ProofView.PAPER_WHITE, StandardSpaces.SRGB));
    }

    @Benchmark
    public GamutCheck compileGamut() {
        return new GamutCheck(StandardSpaces.SRGB, printer);
    }

    @Benchmark
    public char[] proofView() {
        proof.applyInStrips(in, out, ColourBench.PIXELS);
        return out;
    }

    @Benchmark
    public byte[] gamutMap() {
        return gamut.map(in, distance);
    }
}
