package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Rect;

/** What is drawn over a page's pictures, pixel for pixel. */
public class MarkLayerTest {
    private static final char[] WHITE = {65535, 65535, 65535};
    private static final List<Mark> PATCHES = List.of(new Mark.ControlPatch(new Rect(25.4, 50.8, 25.4, 25.4), List.of(1, 40000, 65535)),
        new Mark.ControlPatch(new Rect(50.8, 50.8, 25.4, 25.4), List.of(65535, 2, 30000)));

    /** Ten pixels an inch on white paper. */
    private static char[] pixel(Orientation turn, int x, int y) {
        Page page = Page.of(254, 127, Margins.NONE, turn, List.of(), PATCHES);
        PageRaster raster = PageRaster.exact(10, Double.POSITIVE_INFINITY);
        int width = raster.width(page);
        int height = raster.height(page);
        char[] all = new char[3 * width * height];
        Arrays.fill(all, (char) 65535);
        new MarkLayer(page, raster).draw(all, width, 0, height, 3);
        return Arrays.copyOfRange(all, 3 * (y * width + x), 3 * (y * width + x) + 3);
    }

    /** In the numbers that they are, to the edge, turned with the page. */
    @Test
    public void patchesAreSentAsTheyAre() {
        assertThat(pixel(Orientation.UPRIGHT, 10, 20)).isEqualTo(new char[] {1, 40000, 65535});
        assertThat(pixel(Orientation.UPRIGHT, 19, 29)).isEqualTo(new char[] {1, 40000, 65535});
        assertThat(pixel(Orientation.UPRIGHT, 20, 29)).isEqualTo(new char[] {65535, 2, 30000});
        assertThat(pixel(Orientation.UPRIGHT, 9, 20)).isEqualTo(WHITE);
        assertThat(pixel(Orientation.UPRIGHT, 10, 30)).isEqualTo(WHITE);
        assertThat(pixel(Orientation.QUARTER_RIGHT, 29, 10)).isEqualTo(new char[] {1, 40000, 65535});
        assertThat(pixel(Orientation.QUARTER_RIGHT, 20, 29)).isEqualTo(new char[] {65535, 2, 30000});
    }
}
