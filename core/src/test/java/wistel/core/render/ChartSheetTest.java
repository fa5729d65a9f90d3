package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.making.RgbChart;
import wistel.core.paper.SheetSize;

public class ChartSheetTest {
    private static final SheetSize A4 = SheetSize.A4;

    /** Reads the printed page back as an instrument would: at each patch's centre lies that patch's colour. */
    @Test
    public void everyPatchLiesWhereItsCentreIsSaidToBe() throws IOException {
        List<double[]> patches = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 200; i++) {
            patches.add(new double[] {random.nextDouble(), random.nextDouble(), random.nextDouble()});
        }
        ChartSheet sheet = new ChartSheet(A4, 30, 9, patches);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        sheet.write(out, 90, "gloss", 5);
        PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
        PwgRaster.Page page = reader.nextPage();
        char[][] rows = new char[page.height()][3 * page.width()];
        for (char[] row : rows) {
            reader.row(row);
        }
        for (int i = 0; i < patches.size(); i++) {
            double[] at = sheet.centreMm(i);
            int x = (int) (at[0] / 25.4 * 90);
            int y = (int) (at[1] / 25.4 * 90);
            for (int c = 0; c < 3; c++) {
                assertThat(rows[y][3 * x + c] / 65535.0).isCloseTo(patches.get(i)[c], within(1e-4));
            }
        }
        assertThat((int) rows[10][10]).as("the margin stays paper").isEqualTo(65535);
    }

    @Test
    public void aChartThatIsTooLargeForItsSheetIsRefused() {
        assertThatThrownBy(() -> new ChartSheet(A4, 30, 9, RgbChart.patches())).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("A4");
    }

    @Test
    public void measurementsSurviveTheWayThroughTheirFile() {
        List<Patch> patches = List.of(new Patch("A1", new double[] {0, 0.5, 1}, new Lab(50.123, -3.25, 12.5)),
            new Patch("A2", new double[] {1, 1, 1}, new Lab(96, 0.1, -2)));
        Cgats back = Cgats.parse(Cgats.of(Cgats.Device.RGB, "Wistel", "two patches", patches).text());
        assertThat(back.patches()).hasSize(2);
        assertThat(back.patches().get(0).lab()).isEqualTo(patches.get(0).lab());
        assertThat(back.patches().get(0).device()).containsExactly(0, 0.5, 1);
        assertThat(back.patches().get(1).id()).isEqualTo("A2");
    }

    @Test
    public void commentsAndOtherColumnsDoNotDisturbAMeasurementFile() {
        String text = """
            CGATS.17
            # made by somebody else
            BEGIN_DATA_FORMAT
            SAMPLE_ID SAMPLE_NAME RGB_R RGB_G RGB_B XYZ_X LAB_L LAB_A LAB_B
            END_DATA_FORMAT
            BEGIN_DATA
            # a remark between rows
            1 first 255 128 0 0.4 60.5 20 30
            2 second 0 0 0 0.1 8 0 0
            END_DATA
            """;
        List<Patch> patches = Cgats.parse(text).patches();
        assertThat(patches).hasSize(2);
        assertThat(patches.get(0).device()[1]).isCloseTo(128 / 255.0, within(1e-9));
        assertThat(patches.get(0).lab()).isEqualTo(new Lab(60.5, 20, 30));
        for (String broken : new String[] {"", "BEGIN_DATA_FORMAT", text.replace("END_DATA\n", ""), text.replace("RGB_G", "CMYK_C"),
            text.replace("8 0 0", "8 0")}) {
            assertThatThrownBy(() -> Cgats.parse(broken)).isInstanceOf(MeasurementException.class);
        }
    }

    /** Whatever is done to a measurement file, it is read or refused in words. */
    @Test(timeOut = 30_000)
    public void damagedMeasurementFilesAreReadOrRefused() {
        String text = Cgats.of(Cgats.Device.RGB, "Wistel", "x",
            List.of(new Patch("1", new double[] {0, 0, 0}, new Lab(5, 0, 0)), new Patch("2", new double[] {1, 1, 1}, new Lab(95, 0, 0))))
            .text();
        SplittableRandom random = new SplittableRandom(3);
        int refused = 0;
        for (int i = 0; i < 5000; i++) {
            StringBuilder bad = new StringBuilder(text);
            for (int k = 0; k <= random.nextInt(6); k++) {
                bad.setCharAt(random.nextInt(bad.length()), (char) (random.nextInt(3) == 0 ? '\n' : 32 + random.nextInt(95)));
            }
            try {
                Cgats.parse(bad.substring(0, random.nextInt(8) == 0 ? random.nextInt(bad.length()) : bad.length()));
            } catch (MeasurementException e) {
                refused++;
            }
        }
        assertThat(refused).isGreaterThan(500);
    }
}
