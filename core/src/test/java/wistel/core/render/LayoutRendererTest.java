package wistel.core.render;

import static wistel.core.render.RenderSamples.pixelOf;
import static wistel.core.render.RenderSamples.pixel;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static wistel.core.render.RenderSamples.STRAIGHT;
import static wistel.core.render.RenderSamples.THIRDS;
import static wistel.core.render.RenderSamples.named;
import static wistel.core.render.RenderSamples.page;
import static wistel.core.render.RenderSamples.picture;
import static wistel.core.render.RenderSamples.pixels;
import static wistel.core.render.RenderSamples.places;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PictureException;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.RowSource;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;

/** Pages rendered from pictures: where every pixel comes to lie, how bands join, what is drawn over them. */
public class LayoutRendererTest {
    private final ExecutorService workers = Executors.newFixedThreadPool(3);

    @AfterClass(alwaysRun = true)
    void stop() {
        workers.shutdown();
    }

    private byte[] file(LayoutRenderer.Job job, Progress progress) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Page raster = new PwgRaster.Page(job.width(), job.height(), (int) job.dpi(), 16, PwgRaster.Space.SRGB, 0, 0, "x", "m", 5,
            1);
        new LayoutRenderer(workers, RenderSamples::scratch).render(job, new PwgSink(raster), out, progress);
        return out.toByteArray();
    }

    /** Rendered at 25.4 dpi-like resolution: one pixel a millimetre is 25 or 26 dpi, so lengths are given in inches of 10 pixels. */
    private char[][] printed(Page page, Map<String, LayoutRenderer.Picture> pictures) throws IOException {
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, pictures, 10, Double.POSITIVE_INFINITY, Sharpener.NONE);
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(file(job, Progress.SILENT)));
        PwgRaster.Page raster = reader.nextPage();
        char[][] rows = new char[raster.height()][3 * raster.width()];
        for (char[] row : rows) {
            reader.row(row);
        }
        return rows;
    }

    private static final char[] WHITE = {65535, 65535, 65535};

    @DataProvider
    Object[][] orientations() {
        return Arrays.stream(Orientation.values()).map(o -> new Object[] {o}).toArray(Object[][]::new);
    }

    /** Quarter turns, mirrored fills and turned feeding are the same eight ways; at the picture's own size every pixel is copied. */
    @Test(dataProvider = "orientations")
    public void aPictureIsPlacedInAnyOrientationPixelForPixel(Orientation orientation) throws IOException {
        View shown = places().oriented(orientation);
        Placed placed = new Placed("r", Crop.whole(24, 16), 0, pixels(3, 2, shown.width(), shown.height()), orientation);
        char[][] rows = printed(page(40, 40, Orientation.UPRIGHT, placed), Map.of("r", picture(places())));
        for (int y = 0; y < 40; y++) {
            for (int x = 0; x < 40; x++) {
                boolean inside = x >= 3 && x < 3 + shown.width() && y >= 2 && y < 2 + shown.height();
                assertThat(pixel(rows, x, y)).isEqualTo(inside ? pixelOf(shown, x - 3, y - 2) : WHITE);
            }
        }
    }

    @Test(dataProvider = "orientations")
    public void aPageThatIsTurnedForFeedingIsTheUprightPageTurned(Orientation feed) throws IOException {
        Placed placed = new Placed("r", Crop.whole(24, 16), 0, pixels(3, 5, 24, 16), Orientation.UPRIGHT);
        char[][] upright = printed(page(50, 30, Orientation.UPRIGHT, placed), Map.of("r", picture(places())));
        char[][] fed = printed(page(50, 30, feed, placed), Map.of("r", picture(places())));
        View turned = new View(50, 30, 3, flat(upright)).oriented(feed);
        assertThat(flat(fed)).isEqualTo(turned.pixels());
    }

    /**
     * Red and green tell the place in the picture, so they tell where each printed pixel came from: turned back about the picture's middle.
     */
    @Test
    public void aStraightenedPictureIsTurnedAboutItsMiddle() throws IOException {
        double degrees = 7;
        Placed placed = new Placed("r", new Crop(6, 4, 12, 8), degrees, pixels(2, 1, 12, 8), Orientation.UPRIGHT);
        char[][] rows = printed(page(20, 12, Orientation.UPRIGHT, placed), Map.of("r", picture(places())));
        for (int y = 0; y < 8; y++) {
            for (int x = 0; x < 12; x++) {
                double u = 6 + x + 0.5 - 12;
                double v = 4 + y + 0.5 - 8;
                double sx = u * Math.cos(Math.toRadians(degrees)) + v * Math.sin(Math.toRadians(degrees)) + 12 - 0.5;
                double sy = -u * Math.sin(Math.toRadians(degrees)) + v * Math.cos(Math.toRadians(degrees)) + 8 - 0.5;
                assertThat((int) pixel(rows, 2 + x, 1 + y)[0]).isCloseTo((int) (2000 * (sx + 1)), within(60));
                assertThat((int) pixel(rows, 2 + x, 1 + y)[1]).isCloseTo((int) (3000 * (sy + 1)), within(60));
            }
        }
    }

    @Test(dataProvider = "orientations")
    public void aStraightenedPictureFeedsAnyWay(Orientation feed) throws IOException {
        Placed placed = new Placed("r", new Crop(6, 4, 12, 8), -4, pixels(3, 5, 18, 12), Orientation.UPRIGHT);
        char[] upright = flat(printed(page(50, 30, Orientation.UPRIGHT, placed), Map.of("r", picture(places()))));
        char[] fed = flat(printed(page(50, 30, feed, placed), Map.of("r", picture(places()))));
        char[] turned = new View(50, 30, 3, upright).oriented(feed).pixels();
        for (int i = 0; i < turned.length; i++) {
            assertThat((int) fed[i]).as("sample " + i).isCloseTo(turned[i], within(60));
        }
    }

    /** Sharpened band by band on several threads, a page is the page sharpened as a whole. */
    @Test
    public void bandsAreSharpenedAsOnePicture() throws IOException {
        int w = 1200;
        int h = 2600;
        char[] pixels = new char[3 * w * h];
        SplittableRandom random = new SplittableRandom(9);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                char v = (char) ((x / 7 + y / 5) % 2 == 0 ? 15_000 + random.nextInt(900) : 48_000);
                Arrays.fill(pixels, 3 * (y * w + x), 3 * (y * w + x) + 3, v);
            }
        }
        View view = new View(w, h, 3, pixels);
        Sharpener sharpener = Sharpener.of(1.5, 1.2);
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(
            page(w, h, Orientation.UPRIGHT, Placed.upright("r", Crop.whole(w, h), pixels(0, 0, w, h))), Map.of("r", picture(view)), 10,
            Double.POSITIVE_INFINITY, sharpener);
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(file(job, Progress.SILENT)));
        reader.nextPage();
        char[] whole = pixels.clone();
        sharpener.apply(whole, w, 3, STRAIGHT, THIRDS);
        char[] row = new char[3 * w];
        for (int y = 0; y < h; y++) {
            reader.row(row);
            assertThat(row).as("row " + y).isEqualTo(Arrays.copyOfRange(whole, 3 * w * y, 3 * w * (y + 1)));
        }
    }

    /** A mirrored bleed repeats the picture backwards from its edge on, and leaves the picture itself as it is. */
    @Test
    public void aBleedMirrorsThePictureAtItsEdges() throws IOException {
        Single plan = new Single("i", false, new Borders.Even(), new Edge(false, 0, 3 * 2.54));
        Layout layout = plan.lay(LayoutInput.bare(new Stock.Sheet("s", 40 * 2.54, 40 * 2.54), Margins.NONE,
            Map.of("r", new SheetPlan.PixelSize(24, 16)), List.of(Item.whole("i", "r", 24 * 2.54, 16 * 2.54))));
        char[][] rows = printed(layout.pages().get(0), Map.of("r", picture(places())));
        for (int y = 0; y < 40; y++) {
            for (int x = 0; x < 40; x++) {
                int px = x - 8;
                int py = y - 12;
                boolean inside = px >= -3 && px < 27 && py >= -3 && py < 19;
                int mx = px < 0 ? -1 - px : px >= 24 ? 47 - px : px;
                int my = py < 0 ? -1 - py : py >= 16 ? 31 - py : py;
                assertThat(pixel(rows, x, y)).as(x + ", " + y).isEqualTo(inside ? pixelOf(places(), mx, my) : WHITE);
            }
        }
    }

    /** A printer that prints 2 over each edge gets a raster of the sheet's size that stands for sheet and overhang. */
    @Test
    public void aBorderlessRasterStandsForThePaperAndWhatIsCutOff() throws IOException {
        Page page = new Page(20 * 2.54, 12 * 2.54, Margins.NONE, Orientation.UPRIGHT, 2 * 2.54,
            List.of(Placed.upright("r", Crop.whole(24, 16), pixels(-2, -2, 24, 16))), List.of());
        char[][] rows = printed(page, Map.of("r", picture(places())));
        assertThat(rows).hasDimensions(12, 60);
        assertThat((int) pixel(rows, 0, 0)[0]).as("the raster begins where the picture does").isCloseTo(2000, within(900));
        assertThat((int) pixel(rows, 19, 11)[0]).isCloseTo(48000, within(900));
        assertThat((int) pixel(rows, 10, 6)[0]).as("the middle stays the middle").isCloseTo(2000 * 13, within(1500));
    }

    /** A master that several small pieces show is resampled for each at once; a large one beside them keeps its file open for all. */
    @Test
    public void smallPiecesOfOneMasterAreTheSameHoweverTheyAreMade() throws IOException {
        Crop all = Crop.whole(120, 80);
        Placed upright = named("a", new Placed("r", all, 0, pixels(5, 2, 30, 20), Orientation.UPRIGHT));
        Placed turned = named("b", new Placed("r", all, 0, pixels(60, 5, 20, 30), Orientation.QUARTER_RIGHT));
        Placed below = named("c", new Placed("r", all, 0, pixels(100, 40, 30, 20), Orientation.UPRIGHT));
        Placed large = named("d", new Placed("r", all, 0, pixels(5, 80, 120, 80), Orientation.UPRIGHT));
        Map<String, LayoutRenderer.Picture> pictures = Map.of("r", picture(RenderSamples.noise(120, 80)));
        char[][] together = printed(page(140, 170, Orientation.UPRIGHT, upright, turned, below), pictures);
        char[][] besideLarge = printed(page(140, 170, Orientation.UPRIGHT, upright, turned, below, large), pictures);
        char[][] alone = printed(page(140, 170, Orientation.UPRIGHT, below), pictures);
        for (int y = 0; y < 75; y++) {
            assertThat(together[y]).as("row " + y).isEqualTo(besideLarge[y]);
        }
        for (int y = 40; y < 60; y++) {
            for (int x = 100; x < 130; x++) {
                assertThat(pixel(together, x, y)).isEqualTo(pixel(alone, x, y));
            }
        }
    }

    private static char[] flat(char[][] rows) {
        char[] all = new char[rows.length * rows[0].length];
        for (int y = 0; y < rows.length; y++) {
            System.arraycopy(rows[y], 0, all, y * rows[0].length, rows[0].length);
        }
        return all;
    }

    /** A picture that reaches over the edge is cut there: what remains has the same scale and lies in the same place. */
    @Test
    public void aPictureOverTheEdgeIsCutNotSqueezed() throws IOException {
        char[][] rows = printed(
            page(20, 10, Orientation.UPRIGHT, new Placed("r", Crop.whole(24, 16), 0, pixels(-6, -3, 24, 16), Orientation.UPRIGHT)),
            Map.of("r", picture(places())));
        assertThat(pixel(rows, 0, 0)).isEqualTo(pixelOf(places(), 6, 3));
        assertThat(pixel(rows, 17, 9)).isEqualTo(pixelOf(places(), 23, 12));
        assertThat(pixel(rows, 18, 5)).isEqualTo(WHITE);
        char[][] beside = printed(
            page(20, 10, Orientation.UPRIGHT, new Placed("r", Crop.whole(24, 16), 0, pixels(40, 0, 24, 16), Orientation.UPRIGHT)),
            Map.of("r", picture(places())));
        assertThat(pixel(beside, 19, 5)).isEqualTo(WHITE);
    }

    /** Several pictures, one of them three times and mirrored at its own edge, from a master that is decoded once. */
    @Test
    public void severalPicturesShareAPageAndEachMasterIsDecodedOnce() throws IOException {
        AtomicInteger decoded = new AtomicInteger();
        RowSource counted = new RowSource() {
            @Override
            public int width() {
                return 24;
            }

            @Override
            public int height() {
                return 16;
            }

            @Override
            public int channels() {
                return 3;
            }

            @Override
            public void rows(RowSink sink) {
                decoded.incrementAndGet();
                places().rows(sink);
            }
        };
        char[] gray = new char[8 * 8 * 3];
        Arrays.fill(gray, (char) 30000);
        Page page = page(60, 60, Orientation.UPRIGHT,
            new Placed("a", Crop.whole(24, 16), 0, pixels(10, 10, 24, 16), Orientation.UPRIGHT),
            named("mirrored", new Placed("a", new Crop(20, 0, 4, 16), 0, pixels(34, 10, 4, 16), Orientation.MIRRORED)),
            named("turned", new Placed("a", Crop.whole(24, 16), 0, pixels(10, 30, 16, 24), Orientation.QUARTER_LEFT)),
            new Placed("b", Crop.whole(8, 8), 0, pixels(40, 40, 8, 8), Orientation.UPRIGHT));
        char[][] rows = printed(page, Map.of("a", picture(counted), "b", picture(new View(8, 8, 3, gray))));
        assertThat(decoded).hasValue(1);
        assertThat(pixel(rows, 33, 12)).isEqualTo(pixelOf(places(), 23, 2));
        assertThat(pixel(rows, 34, 12)).as("mirrored at the edge").isEqualTo(pixelOf(places(), 23, 2));
        assertThat(pixel(rows, 37, 12)).isEqualTo(pixelOf(places(), 20, 2));
        assertThat(pixel(rows, 10, 30)).isEqualTo(pixelOf(places(), 23, 0));
        assertThat((int) pixel(rows, 44, 44)[1]).isEqualTo(30000);
    }

    @Test
    public void marksAndTextAreDrawnInBlackWhereTheyAreSaidToBe() throws IOException {
        Page page = Page.of(254, 254, Margins.NONE, Orientation.UPRIGHT, List.of(),
            List.of(new Mark.Line(0, 101.6, 254, 101.6, 5.08), new Mark.Text("HHHH", 25.4, 177.8, 144, 0, Mark.Anchor.START)));
        char[][] rows = printed(page, Map.of());
        assertThat((int) pixel(rows, 50, 40)[0]).isZero();
        assertThat((int) pixel(rows, 50, 39)[1]).isZero();
        assertThat(pixel(rows, 50, 37)).isEqualTo(WHITE);
        // 144 pt are 2 in, 20 pixels; capitals stand about 0.7 of that above the line at row 70
        long ink = 0;
        int top = 100;
        int bottom = 0;
        for (int y = 45; y < 100; y++) {
            for (int x = 0; x < 100; x++) {
                if (pixel(rows, x, y)[0] < 32768) {
                    ink++;
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y);
                }
            }
        }
        assertThat(bottom).isEqualTo(69);
        assertThat(top).isBetween(54, 58);
        assertThat(ink).isBetween(150L, 600L);
    }

    /** The same job, cold and warm, on one thread and on three: one print file. */
    @Test
    public void theSameJobGivesTheSameBytesOnEveryRun() throws IOException {
        SplittableRandom random = new SplittableRandom(11);
        char[] noise = new char[3 * 700 * 500];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (char) random.nextInt(65536);
        }
        Transform toPaper = TransformCompiler.compile(new Recipe.Convert(StandardSpaces.SRGB, ProfileReader.read(
            Files.readAllBytes(Path.of("../demo/profiles/moss-cotton.icc"))), Intent.PERCEPTUAL, true, Observer.ADAPTED), Kernels.SCALAR);
        LayoutRenderer.Picture picture = new LayoutRenderer.Picture(new View(700, 500, 3, noise), Orientation.QUARTER_RIGHT,
            LightCurve.GAMMA_22, THIRDS, toPaper);
        Page page = Page.of(210, 297, Margins.NONE, Orientation.UPRIGHT,
            List.of(new Placed("r", Crop.whole(500, 700), 0, new Rect(10, 10, 180, 252), Orientation.UPRIGHT)), List.of());
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, Map.of("r", picture), 200, Double.POSITIVE_INFINITY, Sharpener.NONE);
        byte[] cold = file(job, Progress.SILENT);
        byte[] warm = file(job, Progress.SILENT);
        assertThat(warm).isEqualTo(cold);
        ByteArrayOutputStream alone = new ByteArrayOutputStream();
        new LayoutRenderer(Runnable::run, RenderSamples::scratch).render(job,
            new PwgSink(new PwgRaster.Page(job.width(), job.height(), 200, 16,
                PwgRaster.Space.SRGB, 0, 0, "x", "m", 5, 1)),
            alone, Progress.SILENT);
        assertThat(alone.toByteArray()).isEqualTo(cold);
    }

    @Test
    public void progressRisesAndMayStopTheWork() throws IOException {
        Page page = page(40, 40, Orientation.QUARTER_RIGHT,
            new Placed("r", Crop.whole(24, 16), 0, pixels(3, 2, 24, 16), Orientation.UPRIGHT));
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, Map.of("r", picture(places())), 10, Double.POSITIVE_INFINITY,
            Sharpener.NONE);
        List<Double> told = new CopyOnWriteArrayList<>();
        file(job, told::add);
        assertThat(told).isSorted().endsWith(1.0);
        assertThatThrownBy(() -> file(job, share -> {
            throw new CancellationException();
        })).isInstanceOf(CancellationException.class);
    }

    /** What ends the decoding ends the rendering, as the error it was. */
    @Test
    public void aMasterThatTurnsOutDamagedIsToldAsSuch() {
        RowSource damaged = new RowSource() {
            @Override
            public int width() {
                return 24;
            }

            @Override
            public int height() {
                return 16;
            }

            @Override
            public int channels() {
                return 3;
            }

            @Override
            public void rows(RowSink sink) {
                sink.row(0, new char[72]);
                throw new PictureException(PictureException.Reason.DAMAGED, "cut off", "export it again");
            }
        };
        for (Orientation feed : List.of(Orientation.UPRIGHT, Orientation.QUARTER_RIGHT)) {
            Page page = page(40, 40, feed, new Placed("r", Crop.whole(24, 16), 0, pixels(3, 2, 24, 16), Orientation.UPRIGHT));
            assertThatThrownBy(
                () -> file(LayoutRenderer.Job.plain(page, Map.of("r", picture(damaged)), 10, Double.POSITIVE_INFINITY, Sharpener.NONE),
                    Progress.SILENT))
                .isInstanceOfSatisfying(PictureException.class, e -> assertThat(e.code()).isEqualTo("picture-damaged"));
        }
    }
}
