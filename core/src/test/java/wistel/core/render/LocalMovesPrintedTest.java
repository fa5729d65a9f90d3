package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.rendition.LocalChange;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.PlacedTransform;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** Local moves on a page: the same place of the picture is changed however it lies there, and by the same weight at every size. */
public class LocalMovesPrintedTest {
    private static final LocalMove.Place PLACE = new LocalMove.Place(0.3, 0.35, 0.12, 0.18, 30, 0.8, new LocalChange(40, 0, 0, 0), true);
    /** A gray that is different nowhere: what differs on paper is the move's. */
    private static final char GRAY = 24000;
    private final ExecutorService workers = Executors.newFixedThreadPool(2);

    @AfterClass(alwaysRun = true)
    void stop() {
        workers.shutdown();
    }

    private static LayoutRenderer.Picture picture(int width, int height, RenditionChange change) {
        char[] pixels = new char[3 * width * height];
        Arrays.fill(pixels, GRAY);
        PlacedTransform conversion = RenditionCompiler.placed(StandardSpaces.SRGB, change,
            new RenditionCompiler.ConversionOptions(Intent.RELATIVE, false),
            from -> new Recipe.Convert(from, StandardSpaces.SRGB, Intent.RELATIVE, false, Observer.ADAPTED), TransformCompiler::compile);
        return new LayoutRenderer.Picture(new View(width, height, 3, pixels), Orientation.UPRIGHT,
            PictureLight.of(StandardSpaces.SRGB), new float[0], conversion, Optional.empty());
    }

    /** One value a pixel. */
    private char[][] printed(Page page, LayoutRenderer.Picture picture, double dpi) throws IOException {
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, Map.of("r", picture), dpi, Double.POSITIVE_INFINITY, Sharpener.NONE);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new LayoutRenderer(workers, RenderSamples::scratch).render(job,
            new PwgSink(new PwgRaster.Page(job.width(), job.height(), (int) dpi, 16, PwgRaster.Space.SRGB, 0, 0, "x", "m", 5, 1)), out,
            Progress.SILENT);
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
        reader.nextPage();
        char[][] rows = new char[job.height()][3 * job.width()];
        for (char[] row : rows) {
            reader.row(row);
        }
        return rows;
    }

    private static Page page(Orientation feed, Placed... placed) {
        return Page.of(120, 120, Margins.NONE, feed, List.of(placed), List.of());
    }

    @DataProvider
    Object[][] ways() {
        return new Object[][] {{Orientation.UPRIGHT, Orientation.UPRIGHT}, {Orientation.QUARTER_RIGHT, Orientation.UPRIGHT},
            {Orientation.UPRIGHT, Orientation.QUARTER_RIGHT}, {Orientation.MIRRORED, Orientation.QUARTER_LEFT}};
    }

    /** Its middle comes to lie where a pixel of the picture at that place would, and nothing is changed far from it. */
    @Test(dataProvider = "ways")
    public void thePlaceLiesWhereThePictureLies(Orientation turned, Orientation feed) throws IOException {
        Crop crop = new Crop(60, 40, 360, 280);
        boolean across = turned.swapsSides();
        Rect at = new Rect(10, 20, across ? 70 : 90, across ? 90 : 70);
        char[][] rows = printed(page(feed, new Placed("r", crop, 0, at, turned)),
            picture(600, 400, RenditionChange.NONE.locally(List.of(PLACE))), 50);
        // the picture's place (180, 140) within the crop
        Rect share = new Rect((180 - crop.x()) / crop.width(), (140 - crop.y()) / crop.height(), 1e-9, 1e-9).turned(turned, 1, 1);
        Rect middle = new Rect(at.x() + share.x() * at.width(), at.y() + share.y() * at.height(), 1e-9, 1e-9).turned(feed, 120, 120);
        double px = middle.x() / 25.4 * 50;
        double py = middle.y() / 25.4 * 50;
        double sumX = 0;
        double sumY = 0;
        double sum = 0;
        int untouched = 0;
        for (int y = 0; y < rows.length; y++) {
            for (int x = 0; x < rows[y].length / 3; x++) {
                int value = rows[y][3 * x + 1];
                if (value != 65535) {
                    double more = Math.max(0, value - GRAY - 40);
                    untouched += more == 0 ? 1 : 0;
                    sum += more;
                    sumX += more * (x + 0.5);
                    sumY += more * (y + 0.5);
                }
            }
        }
        assertThat(sumX / sum).isCloseTo(px, within(0.7));
        assertThat(sumY / sum).isCloseTo(py, within(0.7));
        assertThat(untouched).isGreaterThan(1000);
    }

    /** The picture is turned by 8 degrees before it is cropped: the place turns with what it lies on. */
    @Test
    public void aStraightenedPictureTakesItsPlacesAlong() throws IOException {
        double degrees = 8;
        Rect at = new Rect(10, 20, 90, 70);
        Crop crop = new Crop(60, 40, 360, 280);
        char[][] rows = printed(page(Orientation.UPRIGHT, new Placed("r", crop, degrees, at, Orientation.UPRIGHT)),
            picture(600, 400, RenditionChange.NONE.locally(List.of(PLACE))), 50);
        double fromX = 180 - 300;
        double fromY = 140 - 200;
        double a = Math.toRadians(degrees);
        double turnedX = 300 + fromX * Math.cos(a) - fromY * Math.sin(a);
        double turnedY = 200 + fromX * Math.sin(a) + fromY * Math.cos(a);
        double px = (at.x() + (turnedX - crop.x()) / crop.width() * at.width()) / 25.4 * 50;
        double py = (at.y() + (turnedY - crop.y()) / crop.height() * at.height()) / 25.4 * 50;
        int brightest = 0;
        int[] where = {0, 0};
        for (int y = 0; y < rows.length; y++) {
            for (int x = 0; x < rows[y].length / 3; x++) {
                int value = rows[y][3 * x + 1];
                if (value != 65535 && value > brightest) {
                    brightest = value;
                    where = new int[] {x, y};
                }
            }
        }
        assertThat(brightest).isGreaterThan(GRAY + 4000);
        // the middle is flat: the first of its brightest pixels lies within its softness
        assertThat(Math.hypot(where[0] + 0.5 - px, where[1] + 0.5 - py)).isLessThan(14);
    }

    /** At twice the resolution the same picture is the same picture. */
    @Test
    public void theWeightIsTheSameAtEverySize() throws IOException {
        List<LocalMove> moves = List.of(PLACE, new LocalMove.Edges(0.6, 0.3, 0.9, new LocalChange(-30, 0, 0, 0), true),
            new LocalMove.Slope(0.2, 0.1, 0.8, 0.9, new LocalChange(15, 0, 0, 0), true));
        Rect at = new Rect(0, 0, 101.6, 76.2);
        Page page = page(Orientation.UPRIGHT, new Placed("r", new Crop(0, 0, 600, 450), 0, at, Orientation.UPRIGHT));
        LayoutRenderer.Picture picture = picture(600, 450, RenditionChange.NONE.locally(moves));
        char[][] coarse = printed(page, picture, 40);
        char[][] fine = printed(page, picture, 80);
        for (int y = 1; y < 119; y++) {
            for (int x = 1; x < 159; x++) {
                int mean = (fine[2 * y][6 * x + 1] + fine[2 * y][6 * x + 4] + fine[2 * y + 1][6 * x + 1] + fine[2 * y + 1][6 * x + 4]) / 4;
                assertThat(Math.abs(coarse[y][3 * x + 1] - mean)).as("%d, %d", x, y).isLessThan(60);
            }
        }
    }
}
