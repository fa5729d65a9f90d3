package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.paper.FeedScale;
import wistel.core.paper.Stock;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetJoint;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Tiled;

/** Print files of a picture over several sheets, beside the file of the same picture printed in one piece. */
public class TiledPagesTest {
    private static final double DPI = 30;
    private final ExecutorService workers = Executors.newFixedThreadPool(3);

    @AfterClass(alwaysRun = true)
    void stop() {
        workers.shutdown();
    }

    private char[][] printed(Page page, View master, Sharpener sharpener, FeedScale scale) throws IOException {
        LayoutRenderer.Job job = new LayoutRenderer.Job(page, Map.of("r", RenderSamples.picture(master)), Map.of(),
            new PageRaster(DPI, Double.POSITIVE_INFINITY, scale, false), sharpener);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Page raster = new PwgRaster.Page(job.width(), job.height(), (int) DPI, 16, PwgRaster.Space.SRGB, 0, 0, "x", "m", 5, 1);
        new LayoutRenderer(workers, RenderSamples::scratch).render(job, new PwgSink(raster), out, Progress.SILENT);
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
        PwgRaster.Page found = reader.nextPage();
        char[][] rows = new char[found.height()][3 * found.width()];
        for (char[] row : rows) {
            reader.row(row);
        }
        return rows;
    }

    @DataProvider
    Object[][] ways() {
        List<Object[]> ways = new ArrayList<>();
        for (boolean across : new boolean[] {false, true}) {
            // enlarged, near its own pixels, reduced
            for (int wide : new int[] {280, 560, 1200}) {
                ways.add(new Object[] {across, 0.0, Sharpener.NONE, wide, FeedScale.NONE});
                ways.add(new Object[] {across, 0.0, Sharpener.of(1.4, 1), wide, new FeedScale(1.004, 0.987)});
                ways.add(new Object[] {across, 3.2, Sharpener.of(1.4, 1), wide, FeedScale.NONE});
            }
        }
        return ways.toArray(Object[][]::new);
    }

    @Test(dataProvider = "ways")
    public void everyPixelOfEverySheetIsThatOfThePictureInOnePiece(boolean across, double degrees, Sharpener sharpener, int wide,
        FeedScale scale) throws IOException {
        View master = RenderSamples.noise(wide, wide * 2 / 3);
        Item item = new Item("i", "r", new Cut(0.05, 0.1, 0.8, 0.75, degrees), new Frame(463.3, 291.7, Frame.Fit.FILL, 0.4, 0.6, true),
            Annotation.NONE, 1);
        LayoutInput in = LayoutInput.bare(new Stock.Sheet("sheet", 210, 297), new Margins(5, 4, 11, 3),
            Map.of("r", new SheetPlan.PixelSize(wide, wide * 2 / 3)), List.of(item));
        Tiled plan = Tiled.of("i", across).joined(new SheetJoint(SheetJoint.Way.GLUED, 14.3)).marked(false, false);
        Layout layout = plan.lay(in);
        assertThat(layout.pages().size()).isGreaterThan(3);
        Placed whole = layout.placed().get(0).untiled();
        Orientation feed = layout.pages().get(0).feedTurn();
        Page one = Page.of(480, 310, Margins.NONE, feed, List.of(new Placed("r", whole.crop(), whole.straighten(),
            new Rect(0, across ? 310 - 291.7 : 0, 463.3, 291.7), Orientation.UPRIGHT)), List.of());
        char[][] expected = printed(one, master, sharpener, scale);
        for (Page page : layout.pages()) {
            char[][] rows = printed(page, master, sharpener, scale);
            Rect at = page.placed().get(0).atMm().turned(feed, page.widthMm(), page.heightMm());
            Rect all = page.placed().get(0).tile().orElseThrow().atMm().turned(feed, page.widthMm(), page.heightMm());
            int fromX = px((at.x() - all.x()) / scale.across());
            int fromY = px((at.y() - all.y()) / scale.along());
            int x = px(all.x() / scale.across()) + fromX;
            int y = px(all.y() / scale.along()) + fromY;
            int w = px((at.right() - all.x()) / scale.across()) - fromX;
            int h = px((at.bottom() - all.y()) / scale.along()) - fromY;
            assertThat(w).isGreaterThan(60);
            for (int row = 0; row < h; row++) {
                assertThat(Arrays.copyOfRange(rows[y + row], 3 * x, 3 * (x + w))).as("row " + row)
                    .isEqualTo(Arrays.copyOfRange(expected[fromY + row], 3 * fromX, 3 * (fromX + w)));
            }
        }
    }

    private static int px(double mm) {
        return (int) Math.round(mm / 25.4 * DPI);
    }
}
