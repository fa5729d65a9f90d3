package wistel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.UnaryOperator;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.DetailMap;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.Sharpener;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Seams;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.TiledPiece;

/**
 * A picture over several sheets: laying 3 x 2 m over every known sheet both ways round, finding all joints on A3, and twelve A2 at 360 dpi
 * beside one picture of that area; and a long print.
 */
final class TilesBench {
    private static final int DPI = 360;
    private static final int ROUNDS = 30;
    private static final Margins MARGINS = new Margins(3, 3, 14, 3);

    private final PictureFile master;
    private final Transform conversion;
    private final ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());

    private TilesBench() throws IOException {
        master = PrintBench.open(Path.of("demo/pictures/fells-first-light.jpg"));
        IccProfile paper = ProfileReader.read(Files.readAllBytes(Path.of("demo/profiles/corrie-lustre.icc")));
        conversion = TransformCompiler.compile(new Recipe.Convert(StandardSpaces.SRGB, paper, Intent.RELATIVE, true, Observer.ADAPTED));
    }

    static void run() throws IOException {
        TilesBench bench = new TilesBench();
        bench.planning();
        Layout sheets = bench.lay(2100, 1067, "A2", Seams.EVEN);
        for (int round = 0; round < 2; round++) {
            bench.pages("peer: one picture of 2100 x 1067 mm", List.of(bench.whole(2100, 1067)));
            bench.pages(sheets.pages().size() + " sheets of A2", sheets.pages());
            bench.pages("610 x 5000 mm", List.of(bench.whole(5000, 610)));
        }
        bench.workers.shutdown();
    }

    private LayoutInput input(double widthMm, double heightMm, String sheet) {
        View view = View.fitting(master.rows(), 640, PictureLight.of(StandardSpaces.SRGB), new Histogram.Counter(3), workers);
        Item item = new Item("i", "r", Cut.WHOLE, new Frame(widthMm, heightMm, Frame.Fit.FILL, 0.5, 0.5, false), Annotation.NONE, 1);
        return new LayoutInput(Stock.Sheet.of(SheetSize.named(sheet).orElseThrow()), MARGINS,
            Map.of("r", new SheetPlan.PixelSize(master.facts().width(), master.facts().height())), Map.of("i", item),
            Map.of("r", DetailMap.of(view)), Map.of(), 1);
    }

    private Layout lay(double widthMm, double heightMm, String sheet, Seams seams) {
        return Tiled.of("i", true).parted(seams).lay(input(widthMm, heightMm, sheet));
    }

    private void planning() {
        LayoutInput in = input(3000, 2000, "A3");
        List<Stock> stocks = SheetSize.KNOWN.stream().map(Stock.Sheet::of).map(Stock.class::cast).toList();
        median("planning 3 x 2 m on " + stocks.size() + " sheets, both ways", () -> {
            for (Stock stock : stocks) {
                for (boolean across : new boolean[] {false, true}) {
                    Tiled.of("i", across).lay(in.on(stock, MARGINS));
                }
            }
        });
        median("all joints of 3 x 2 m on A3, off what the eye follows",
            () -> new TiledPiece(in.item("i"), Tiled.of("i", true).parted(Seams.of(Seams.Choice.QUIET))).found(in));
    }

    private static void median(String what, Runnable work) {
        double[] ms = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            long start = System.nanoTime();
            work.run();
            ms[i] = (System.nanoTime() - start) / 1e6;
        }
        double first = ms[0];
        Arrays.sort(ms);
        System.out.printf(Locale.ROOT, "%-60s first %6.1f ms, median %6.1f ms%n", what, first, ms[ROUNDS / 2]);
    }

    private Page whole(double widthMm, double heightMm) {
        Placed placed = new Placed("r", Crop.whole(master.facts().width(), master.facts().height()).shaped(widthMm / heightMm, 0.5, 0.5), 0,
            new Rect(0, 0, widthMm, heightMm),
            Orientation.UPRIGHT);
        return Page.of(widthMm, heightMm, Margins.NONE, widthMm > heightMm ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT,
            List.of(placed), List.of());
    }

    private void pages(String what, List<Page> pages) throws IOException {
        PrintBench.resetPeak();
        long start = System.nanoTime();
        double megapixels = 0;
        for (Page page : pages) {
            Map<String, LayoutRenderer.Picture> pictures = new HashMap<>();
            pictures.put("r", new LayoutRenderer.Picture(master.rows(), master.facts().orientation(), PictureLight.of(StandardSpaces.SRGB),
                new float[0], conversion));
            LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, pictures, DPI, Double.POSITIVE_INFINITY, Sharpener.NONE);
            megapixels += job.width() * (double) job.height() / 1e6;
            PrintBench.render(job, workers, UnaryOperator.identity(), Progress.SILENT);
        }
        PrintBench.report(what, start, megapixels);
    }
}
