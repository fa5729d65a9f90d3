package wistel.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.function.UnaryOperator;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.FileImageInputStream;
import javax.imageio.stream.FileImageOutputStream;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.StageTimes;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.PwgRaster;
import wistel.core.render.PwgSink;
import wistel.core.render.Sharpener;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** The heavy parts of a print: reading a 24-megapixel JPEG in, and pages of several sizes from it; seconds and peak heap. */
final class PrintBench {
    private static final int ROUNDS = 3;

    private final Path file;
    private final PictureFile picture;
    private final ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors(), work -> {
        Thread thread = new Thread(work, "pixels");
        thread.setDaemon(true);
        return thread;
    });

    private PrintBench(Path file) {
        this.file = file;
        picture = open(file);
    }

    static PictureFile open(Path file) {
        return PictureFile.open(() -> {
            try {
                return new FileImageInputStream(file.toFile());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    static void run() throws IOException {
        PrintBench bench = new PrintBench(Path.of("demo/pictures/salt-pans-february.jpg"));
        Path progressive = Files.createTempFile("progressive", ".jpg");
        bench.writeProgressive(progressive);
        PrintBench slow = new PrintBench(progressive);
        for (int round = 0; round < ROUNDS; round++) {
            bench.decodeAlone("JPEG");
            bench.readIn("JPEG");
            slow.decodeAlone("progressive JPEG");
            slow.readIn("progressive JPEG");
            bench.page("A3+, 440 x 293 mm, 360 dpi", 329, 483, 440, false, Sharpener.NONE);
            bench.page("A3+ turned", 329, 483, 440, true, Sharpener.NONE);
            bench.page("A3+ sharpened, radius 0.7 px", 329, 483, 440, false, Sharpener.of(0.7, 0.9));
        }
        bench.page("24 x 36 in, 360 dpi", 609.6, 914.4, 914.4, false, Sharpener.NONE);
        bench.page("24 x 36 in turned", 609.6, 914.4, 914.4, true, Sharpener.NONE);
        bench.page("44 x 96 in, 360 dpi", 1117.6, 2438.4, 2438.4, true, Sharpener.NONE);
        bench.workers.shutdown();
        slow.workers.shutdown();
        Files.delete(progressive);
    }

    /** The peer: the JDK's decoder into memory, and nothing else. */
    private void decodeAlone(String kind) throws IOException {
        resetPeak();
        long start = System.nanoTime();
        ImageReader reader = jdkReader();
        try (FileImageInputStream in = new FileImageInputStream(file.toFile())) {
            reader.setInput(in, true, true);
            reader.read(0);
        } finally {
            reader.dispose();
        }
        report("peer: the JDK's decoder alone, " + size(kind), start, 0);
    }

    private String size(String kind) {
        return picture.facts().width() + " x " + picture.facts().height() + " " + kind;
    }

    private static ImageReader jdkReader() {
        Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("jpeg");
        ImageReader reader = readers.next();
        while (!reader.getClass().getName().startsWith("com.sun.")) {
            reader = readers.next();
        }
        return reader;
    }

    /** The same picture in several scans, as some editors export it. */
    private void writeProgressive(Path to) throws IOException {
        ImageReader reader = jdkReader();
        ImageWriter writer = ImageIO.getImageWriter(reader);
        try (FileImageInputStream in = new FileImageInputStream(file.toFile());
            FileImageOutputStream out = new FileImageOutputStream(to.toFile())) {
            reader.setInput(in, true, true);
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(0.95f);
            writer.setOutput(out);
            writer.write(null, new IIOImage(reader.read(0), null, null), param);
        } finally {
            reader.dispose();
            writer.dispose();
        }
    }

    private void readIn(String kind) {
        resetPeak();
        long start = System.nanoTime();
        View.fitting(picture.rows(), 2400, PictureLight.of(StandardSpaces.SRGB), new Histogram.Counter(3), workers);
        report("read in " + size(kind) + " (decode, histogram, view)", start, 0);
    }

    /** @param turned the sheet lies across, so the picture is turned a quarter on its way; else it is placed upright and cut at the edge */
    private void page(String what, double shortMm, double longMm, double pictureMm, boolean turned, Sharpener sharpener)
        throws IOException {
        resetPeak();
        long start = System.nanoTime();
        Transform conversion = TransformCompiler.compile(new Recipe.Convert(StandardSpaces.SRGB,
            ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/skerry-baryta.icc"))), Intent.RELATIVE, true, Observer.ADAPTED),
            Kernels.SCALAR);
        double w = pictureMm;
        double h = w * picture.facts().height() / picture.facts().width();
        double pageW = longMm;
        double pageH = shortMm;
        Page page = Page.of(pageW, pageH, Margins.NONE, turned ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT,
            List.of(Placed.upright("r", Crop.whole(picture.facts().width(), picture.facts().height()),
                new Rect((pageW - w) / 2, (pageH - h) / 2, w, h))),
            List.of());
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page,
            Map.of("r", new LayoutRenderer.Picture(picture.rows(), picture.facts().orientation(),
                PictureLight.of(StandardSpaces.SRGB),
                sharpener == Sharpener.NONE ? new float[0] : PictureLight.luminance(StandardSpaces.SRGB), conversion)),
            360, Double.POSITIVE_INFINITY, sharpener);
        StageTimes times = new StageTimes();
        Path out = Files.createTempFile("page", ".pwg");
        Path spool = Files.createTempFile("spool", ".raw");
        PwgRaster.Page raster = new PwgRaster.Page(job.width(), job.height(), 360, 16, PwgRaster.Space.DEVICE3, 0, 0, "", "", 5, 1);
        try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(out), 1 << 18)) {
            new LayoutRenderer(workers,
                () -> FileChannel.open(spool, StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE))
                .render(job, new PwgSink(raster), stream, Progress.SILENT, times);
        }
        report(what + ", " + (long) job.width() * job.height() / 1_000_000 + " Mpx, " + (Files.size(out) >> 20) + " MB", start,
            (double) job.width() * job.height() / 1e6);
        System.out.println("    " + Arrays.stream(StageTimes.Stage.values())
            .map(s -> String.format(Locale.ROOT, "%s %.2f s", s.name().toLowerCase(Locale.ROOT), times.seconds(s)))
            .collect(Collectors.joining(", ")));
        Files.delete(out);
        Files.deleteIfExists(spool);
    }

    /**
     * The job's page as a print file in the printer's own space, in a folder that is made and taken away for it.
     *
     * @param opened gets each spool file as it is opened
     */
    static void render(LayoutRenderer.Job job, Executor workers, UnaryOperator<FileChannel> opened, Progress progress) throws IOException {
        Path folder = Files.createTempDirectory("bench");
        Path out = folder.resolve("page.pwg");
        try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(out), 1 << 18)) {
            PwgRaster.Page raster = new PwgRaster.Page(job.width(), job.height(), (int) job.dpi(), 16, PwgRaster.Space.DEVICE3, 0, 0, "",
                "",
                5, 1);
            new LayoutRenderer(workers, () -> opened.apply(FileChannel.open(Files.createTempFile(folder, "spool", ".raw"),
                StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE)))
                .render(job, new PwgSink(raster), stream, progress);
        }
        Files.deleteIfExists(out);
        Files.deleteIfExists(folder);
    }

    static void resetPeak() {
        System.gc();
        ManagementFactory.getMemoryPoolMXBeans().forEach(MemoryPoolMXBean::resetPeakUsage);
    }

    static void report(String what, long start, double megapixels) {
        long peak = ManagementFactory.getMemoryPoolMXBeans().stream().filter(p -> p.getType() == MemoryType.HEAP)
            .map(MemoryPoolMXBean::getPeakUsage).mapToLong(u -> u.getUsed()).sum();
        double seconds = (System.nanoTime() - start) / 1e9;
        System.out.printf(Locale.ROOT, "%-60s %6.2f s %s  heap pools' peaks %d MB%n", what, seconds,
            megapixels > 0 ? String.format(Locale.ROOT, "%5.1f Mpx/s", megapixels / seconds) : "           ", peak >> 20);
    }
}
