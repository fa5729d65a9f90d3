package wistel.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.stage.LabChange.TonesOf;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.GrownTexture;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PatchSynthesis;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.PwgRaster;
import wistel.core.render.PwgSink;
import wistel.core.render.Sharpener;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.SideChange;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.WrappedSides;

/**
 * A face of 36 x 24 in with sides of 50 mm at 300 dpi, beside the same face unwrapped; and texture grown for it at the size at which it is
 * found.
 */
final class WrapBench {
    private static final double INCH = 25.4;
    private static final double SIDE_MM = 50;
    private static final int DPI = 300;
    private static final int ROUNDS = 3;
    private static final int FACE = 720;

    private final Path file;
    private final PictureFile picture;
    private final IccProfile canvas;
    private final ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());

    private WrapBench(Path file) throws IOException {
        this.file = file;
        picture = PrintBench.open(file);
        canvas = ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/tarn-canvas.icc")));
    }

    static void run() throws IOException {
        for (String name : List.of("salt-pans-february.jpg", "harbour-last-ferry.jpg")) {
            WrapBench bench = new WrapBench(Path.of("demo/pictures", name));
            for (int round = 0; round < ROUNDS; round++) {
                bench.grown();
                bench.page("peer: the face unwrapped", Optional.empty());
                bench.page("mirrored sides", sides(new SideFill.Mirrored(), SideMoves.NONE));
                bench.page("mirrored, darker, softer, less colour", sides(new SideFill.Mirrored(), new SideMoves(20, 50, 30)));
                bench.page("grown sides, texture included", sides(new SideFill.Extended(1), SideMoves.NONE));
            }
            bench.workers.shutdown();
        }
    }

    private static Optional<WrappedSides> sides(SideFill fill, SideMoves moves) {
        return Optional.of(new WrappedSides(face(), new Rect(0, 0, 36 * INCH + 2 * SIDE_MM, 24 * INCH + 2 * SIDE_MM), fill, moves));
    }

    private static Rect face() {
        return new Rect(SIDE_MM, SIDE_MM, 36 * INCH, 24 * INCH);
    }

    private Crop crop() {
        return Crop.whole(picture.facts().width(), picture.facts().height()).shaped(1.5, 0.5, 0.5);
    }

    private GrownTexture texture() {
        View view = View.fitting(picture.rows(), 2400, PictureLight.of(StandardSpaces.SRGB), new Histogram.Counter(3), workers);
        double scale = (double) view.width() / picture.facts().width();
        View small = view.scaled(crop().scaled(scale), FACE, FACE * 2 / 3, PictureLight.of(StandardSpaces.SRGB));
        return PatchSynthesis.grow(small, (int) Math.ceil(SIDE_MM / (36 * INCH) * FACE) + 1, 1);
    }

    private void grown() {
        View view = View.fitting(picture.rows(), FACE, PictureLight.of(StandardSpaces.SRGB), new Histogram.Counter(3), workers);
        PrintBench.resetPeak();
        long start = System.nanoTime();
        PatchSynthesis.grow(view, (int) Math.ceil(SIDE_MM / (36 * INCH) * FACE) + 1, 1);
        PrintBench.report("texture alone, on " + view.width() + " x " + view.height() + " of " + file.getFileName(), start, 0);
    }

    private void page(String what, Optional<WrappedSides> sides) throws IOException {
        PrintBench.resetPeak();
        long start = System.nanoTime();
        Transform conversion = TransformCompiler.compile(onward(StandardSpaces.SRGB));
        Optional<LayoutRenderer.SideColours> colours = sides.map(s -> new LayoutRenderer.SideColours(s.moves().leavesColours() ? conversion
            : RenditionCompiler.through(StandardSpaces.SRGB,
                new RenditionCompiler.SidedChange(RenditionChange.NONE, SideChange.of(s.moves(), TonesOf.OKLAB)),
                new RenditionCompiler.ConversionOptions(Intent.PERCEPTUAL, true), this::onward, TransformCompiler::compile),
            s.fill() instanceof SideFill.Extended ? Optional.of(texture()) : Optional.empty()));
        Placed placed = new Placed("r", crop(), 0, face(), Orientation.UPRIGHT);
        Page page = Page.of(36 * INCH + 2 * SIDE_MM, 24 * INCH + 2 * SIDE_MM, Margins.NONE, Orientation.UPRIGHT,
            List.of(sides.map(placed::sided).orElse(placed)), List.of());
        LayoutRenderer.Picture of = new LayoutRenderer.Picture(picture.rows(), picture.facts().orientation(),
            PictureLight.of(StandardSpaces.SRGB), new float[0], conversion);
        LayoutRenderer.Job job = new LayoutRenderer.Job(page, Map.of("r", of), colours.map(c -> Map.of("r", c)).orElse(Map.of()),
            PageRaster.exact(DPI, Double.POSITIVE_INFINITY), Sharpener.NONE);
        Path out = Files.createTempFile("wrap", ".pwg");
        Path spool = Files.createTempFile("spool", ".raw");
        try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(out), 1 << 18)) {
            PwgRaster.Page raster = new PwgRaster.Page(job.width(), job.height(), DPI, 16, PwgRaster.Space.DEVICE3, 0, 0, "", "", 5, 1);
            new LayoutRenderer(workers,
                () -> FileChannel.open(spool, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE,
                    StandardOpenOption.DELETE_ON_CLOSE))
                .render(job, new PwgSink(raster), stream, Progress.SILENT);
        }
        PrintBench.report(what + ", " + job.width() + " x " + job.height(), start, 0);
        Files.deleteIfExists(out);
        Files.deleteIfExists(spool);
    }

    private Recipe onward(IccProfile from) {
        return new Recipe.Convert(from, canvas, Intent.PERCEPTUAL, true, Observer.ADAPTED);
    }
}
