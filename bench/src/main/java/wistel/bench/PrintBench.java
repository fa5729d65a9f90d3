package wistel.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import javax.imageio.stream.FileImageInputStream;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.picture.Histogram;
import wistel.core.picture.PictureFile;
import wistel.core.picture.Progress;
import wistel.core.picture.View;
import wistel.core.printer.Capabilities.Margins;
import wistel.core.render.PictureLight;
import wistel.core.render.PrintRaster;
import wistel.core.render.PwgRaster;
import wistel.core.sheet.Placement;

/** The heavy parts of one print, each once in a fresh process: reading a 24-megapixel JPEG in, and making its A3+ page at 360 dpi. */
final class PrintBench {
    private PrintBench() {
    }

    static void run() throws IOException {
        Path file = Path.of("demo/pictures/salt-pans-february.jpg");
        PictureFile picture = PictureFile.open(() -> {
            try {
                return new FileImageInputStream(file.toFile());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        long start = System.nanoTime();
        View.of(new Histogram.Tap(picture.pixels()), 2400, PictureLight.of(StandardSpaces.SRGB), Progress.SILENT);
        report("read in " + picture.facts().width() + " x " + picture.facts().height() + " JPEG (decode, histogram, view)", start);

        start = System.nanoTime();
        IccProfile paper = ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/skerry-baryta.icc")));
        var conversion = TransformCompiler.convert(StandardSpaces.SRGB, paper, Intent.RELATIVE, true);
        Placement placement = Placement.of(329, 483, true, Margins.NONE, 6000, 4000, 440, 400, false, 0.5, 0.5, false);
        Path out = Files.createTempFile("a3plus", ".pwg");
        try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(out), 1 << 18)) {
            PrintRaster.write(new PrintRaster.Job(picture.pixels(), StandardSpaces.SRGB, conversion, placement, 360, PwgRaster.Space.DEVICE3, "om_a3-plus_329x483mm",
                "photographic-glossy", 5, 1, 0), stream, () -> {
                    throw new IOException("no scratch needed");
                }, Progress.SILENT);
        }
        report("A3+ page at 360 dpi, 16 bit, " + (Files.size(out) >> 20) + " MB", start);
        Files.delete(out);
    }

    private static void report(String what, long start) {
        long peak = ManagementFactory.getMemoryPoolMXBeans().stream().filter(p -> p.getType() == java.lang.management.MemoryType.HEAP)
            .map(MemoryPoolMXBean::getPeakUsage).mapToLong(u -> u.getUsed()).sum();
        System.out.printf(Locale.ROOT, "%-70s %6.2f s   peak heap so far %d MB%n", what, (System.nanoTime() - start) / 1e9, peak >> 20);
    }
}
