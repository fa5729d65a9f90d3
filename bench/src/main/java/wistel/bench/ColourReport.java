package wistel.bench;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;
import wistel.core.icc.kernel.Kernels;

/** Both families of loops and the JDK's CMM in one run, as one table. Medians: a machine with neighbours has slow moments. */
final class ColourReport {
    private final Map<String, Double> medians = new HashMap<>();

    static void run() throws Exception {
        TransformReport.run();
        ColourReport report = new ColourReport();
        System.out.println("measuring, about nine minutes ...");
        report.measure("best", "");
        if (!Kernels.best().name().equals(Kernels.SCALAR.name())) {
            report.measure("scalar", "-D" + Kernels.PROPERTY + "=scalar");
        }
        report.print();
    }

    private void measure(String family, String jvmArgument) throws RunnerException {
        OptionsBuilder options = new OptionsBuilder();
        options.verbosity(VerboseMode.SILENT);
        if (jvmArgument.isEmpty()) {
            options.include(ColourBench.class.getName()).include(ProofBench.class.getName());
        } else {
            options.include("ColourBench.(oneThread|allProcessors)").include("ProofBench.(proofView|gamutMap)").jvmArgsAppend(jvmArgument);
        }
        Collection<RunResult> results = new Runner(options.build()).run();
        for (RunResult result : results) {
            String method = result.getParams().getBenchmark().replaceAll(".*\\.", "");
            medians.put(family + " " + method + " " + result.getParams().getParam("through"),
                result.getPrimaryResult().getStatistics().getPercentile(50));
        }
    }

    private double median(String family, String method, String through) {
        return medians.getOrDefault(family + " " + method + " " + through,
            medians.getOrDefault("best " + method + " " + through, Double.NaN));
    }

    private void print() throws Exception {
        List<String> lines = new ArrayList<>();
        lines.add(String.format(Locale.ROOT, "%nsRGB16 to 16 bits, 2400 x 1600, medians; loops: %s, %s; %d processors",
            Kernels.best().name(), Kernels.SCALAR.name(), Runtime.getRuntime().availableProcessors()));
        lines.add(String.format("%-12s %18s %18s %18s %18s %10s %10s %12s %12s", "through", "vector 1 thread", "vector all",
            "scalar 1 thread", "scalar all", "exact", "JDK CMM", "scalar/JDK", "vector/JDK"));
        for (String through : new String[] {"matrix", "rgb-table", "cmyk-table"}) {
            double jdk = ColourBench.FEW / median("best", "jdkColorConvertOp", through) / 1000;
            double vector = speed("best", "oneThread", through);
            double scalar = speed("scalar", "oneThread", through);
            lines
                .add(String.format(Locale.ROOT, "%-12s %13.1f Mpx/s %13.1f Mpx/s %13.1f Mpx/s %13.1f Mpx/s %10.2f %10.2f %10.1f x %10.1f x",
                    through, vector, speed("best", "allProcessors", through), scalar,
                    speed("scalar", "allProcessors", through), ColourBench.FEW / median("best", "exactChain", through) / 1000, jdk,
                    scalar / jdk, vector / jdk));
        }
        lines.add("");
        for (String through : new String[] {"matrix", "rgb-table", "cmyk-table"}) {
            lines.add(
                String.format(Locale.ROOT, "%-12s compile %6.1f ms; all processors over one thread, best runs taken in turn: %.2f times",
                    through, median("best", "compile", through), Scaling.of(through)));
        }
        for (String through : new String[] {"rgb-table", "cmyk-table"}) {
            lines.add(String.format(Locale.ROOT,
                "%-12s proof of the view: vector %.1f ms, scalar %.1f ms (compile %.1f ms); gamut map: vector %.1f ms, scalar %.1f ms "
                    + "(compile %.1f ms); all processors",
                through,
                median("best", "proofView", through), median("scalar", "proofView", through), median("best", "compileProof", through),
                median("best", "gamutMap", through), median("scalar", "gamutMap", through), median("best", "compileGamut", through)));
        }
        lines.forEach(System.out::println);
    }

    private double speed(String family, String method, String through) {
        return ColourBench.PIXELS / median(family, method, through) / 1000;
    }
}
