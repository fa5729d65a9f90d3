package wistel.core.icc.making;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.making.ProfileChart.Role;

public class ProfileChartTest {
    private static final ProfileChart CHART = ProfileChart.of(ProfileChart.Size.USUAL, 5);
    private static final List<ChartPage> PAGES = ChartPage.of(CHART, 190, 240);

    @DataProvider
    Object[][] sizes() {
        return Arrays.stream(ProfileChart.Size.values()).filter(s -> !s.gray()).map(s -> new Object[] {s}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "sizes")
    public void aChartIsWholeAndItsOrderIsChance(ProfileChart.Size size) {
        ProfileChart chart = ProfileChart.of(size, 5);
        assertThat(chart.patches()).hasSize(size.count());
        assertThat(chart.patches().stream().map(ProfileChart.ChartPatch::id).distinct()).hasSize(size.count());
        assertThat(chart.patches()).filteredOn(p -> p.role() == Role.REPEATED).hasSizeGreaterThan(15);
        assertThat(ids(ProfileChart.of(size, 5))).as("the same seed").isEqualTo(ids(chart));
        assertThat(ids(ProfileChart.of(size, 6))).isNotEqualTo(ids(chart));
        assertThat(chart.gray()).isEqualTo(size.gray());
        // neighbours of the cube are no neighbours on paper
        long near = IntStream.range(1, chart.patches().size())
            .filter(i -> apart(chart.patches().get(i - 1).rgb(), chart.patches().get(i).rgb()) < 0.2).count();
        assertThat(near).isLessThan(size.count() / 10);
    }

    private static List<String> ids(ProfileChart chart) {
        return chart.patches().stream().map(ProfileChart.ChartPatch::id).toList();
    }

    private static double apart(double[] a, double[] b) {
        return Math.sqrt(IntStream.range(0, 3).mapToDouble(c -> (a[c] - b[c]) * (a[c] - b[c])).sum());
    }

    /** Held-back patches and grays judge; the limits are those of 900 patches. */
    @Test(dataProvider = "sizes")
    public void aProfileOfItForeseesWhatWasHeldBack(ProfileChart.Size size) {
        SplittableRandom noise = new SplittableRandom(2);
        List<Patch> read = ProfileChart.of(size, 5).patches().stream()
            .map(p -> new Patch(p.id(), p.rgb(), noisy(MadeProfiles.measured(p.rgb()), noise))).toList();
        Cgats chart = Cgats.of(Cgats.Device.RGB, "test", "a chart", read);
        assertThat(ProfileMaker.heldBack(chart)).as("all grays between and all that is held back").hasSameSizeAs(
            read.stream().filter(p -> p.id().startsWith("H") || p.id().startsWith("G")).toList())
            .allMatch(p -> p.id().startsWith("H") || p.id().startsWith("G"));
        Quality quality = ProfileMaker.make("made", chart).quality();
        assertThat(quality.mean()).isLessThan(0.8);
        assertThat(quality.percentile95()).isLessThan(2);
    }

    /** Every gray twice, whatever the order; a profile of it finds the value of each tone. */
    @Test
    public void aChartOfGraysMakesAGrayProfile() {
        ProfileChart chart = ProfileChart.of(ProfileChart.Size.GRAYS, 5);
        assertThat(chart.gray()).isTrue();
        assertThat(chart.patches()).hasSize(105);
        assertThat(chart.patches().stream().map(p -> p.rgb()[0]).distinct()).hasSize(51);
        SplittableRandom noise = new SplittableRandom(2);
        List<Patch> read = chart.patches().stream()
            .map(p -> new Patch(p.id(), new double[] {p.rgb()[0]}, noisy(MadeProfiles.measured(p.rgb()), noise))).toList();
        assertThat(ProfileMaker.make("grays", Cgats.of(Cgats.Device.GRAY, "test", "grays", read)).quality().mean()).isLessThan(0.2);
    }

    /** Of 300 patches the model is unsure between its six levels; what is foreseen there gets nearer with the hundred. */
    @Test
    public void aHundredPatchesMoreMakeAProfileForeseeBetter() {
        List<Patch> first = read(ProfileChart.of(ProfileChart.Size.SMALL, 5));
        ProfileChart more = ProfileChart.more(first, 9);
        assertThat(more.patches()).hasSize(100);
        assertThat(more.patches()).filteredOn(p -> p.role() == Role.MORE).hasSizeGreaterThan(80);
        assertThat(more.patches().stream().map(p -> Arrays.toString(p.rgb())).distinct()).as("each once").hasSize(100);
        List<Patch> both = new ArrayList<>(first);
        both.addAll(read(more));
        SplittableRandom random = new SplittableRandom(77);
        PrinterModel before = PrinterModel.of(PrinterModel.split(first).used());
        PrinterModel after = PrinterModel.of(PrinterModel.split(both).used());
        double off = 0;
        double offAfter = 0;
        for (int i = 0; i < 2000; i++) {
            double[] rgb = {random.nextDouble(), random.nextDouble(), random.nextDouble()};
            Lab paper = relative(MadeProfiles.measured(rgb));
            off += before.relative(rgb).deltaE2000(paper);
            offAfter += after.relative(rgb).deltaE2000(paper);
        }
        assertThat(offAfter).isLessThan(0.85 * off);
        ProfileChart again = ProfileChart.more(both, 10);
        assertThat(again.patches()).as("a second hundred, elsewhere").hasSize(100).filteredOn(p -> p.role() == Role.MORE)
            .noneMatch(p -> more.patches().stream().anyMatch(q -> apart(p.rgb(), q.rgb()) < 0.01));
        assertThat(PrinterModel.split(both).heldBack()).as("what judges").hasSameSizeAs(PrinterModel.split(first).heldBack());
    }

    private static List<Patch> read(ProfileChart chart) {
        return chart.patches().stream().map(p -> new Patch(p.id(), p.rgb(), MadeProfiles.measured(p.rgb()))).toList();
    }

    private static Lab relative(Lab measured) {
        double[] white = new double[3];
        D50.labToXyz(MadeProfiles.measured(new double[] {1, 1, 1}).toArray(), white);
        double[] xyz = measured.toArray();
        D50.labToXyz(xyz, 0);
        double[] d50 = {D50.X, D50.Y, D50.Z};
        for (int c = 0; c < 3; c++) {
            xyz[c] *= d50[c] / white[c];
        }
        D50.xyzToLab(xyz, 0);
        return Lab.of(xyz);
    }

    @Test
    public void aChartThatAPersonBringsKeepsItsNamesAndOrder() {
        ProfileChart chart = ProfileChart.own("""
            BEGIN_DATA_FORMAT
            SAMPLE_ID RGB_R RGB_G RGB_B
            END_DATA_FORMAT
            BEGIN_DATA
            first 100 100 100
            second 0 50 100
            END_DATA
            """);
        assertThat(ids(chart)).containsExactly("first", "second");
        assertThat(chart.patches().get(1).rgb()).containsExactly(0, 0.5, 1);
        assertThat(ids(ProfileChart.own(chart.text("again")))).isEqualTo(ids(chart));
    }

    @Test
    public void aChartOfInksOrWithNamesTwiceIsRefused() {
        String twice = "BEGIN_DATA_FORMAT\nSAMPLE_ID GRAY\nEND_DATA_FORMAT\nBEGIN_DATA\na 10\na 20\nEND_DATA\n";
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> ProfileChart.own(twice)).withMessageContaining("same name");
        String inks = "BEGIN_DATA_FORMAT\nCMYK_C CMYK_M CMYK_Y CMYK_K\nEND_DATA_FORMAT\nBEGIN_DATA\n10 0 0 0\nEND_DATA\n";
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> ProfileChart.own(inks)).withMessageContaining("inks");
    }

    private static Lab noisy(Lab lab, SplittableRandom noise) {
        return new Lab(lab.l() + 0.1 * (noise.nextDouble() - 0.5), lab.a() + 0.1 * (noise.nextDouble() - 0.5),
            lab.b() + 0.1 * (noise.nextDouble() - 0.5));
    }

    @Test
    public void pagesHoldEveryPatchOnceAndAreEvenlyFull() {
        assertThat(PAGES).hasSize(2);
        assertThat(PAGES.stream().mapToInt(p -> p.patches().size()).sum()).isEqualTo(900);
        assertThat(PAGES.get(0).patches().size() - PAGES.get(1).patches().size()).isLessThan(2 * PAGES.get(0).columns());
        assertThat(PAGES.get(0).heightMm()).isLessThanOrEqualTo(240);
        assertThat(PAGES.get(0).name(0)).isEqualTo("A1");
        assertThat(PAGES.get(0).name(PAGES.get(0).columns() + 2)).isEqualTo("C2");
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> ChartPage.of(CHART, 20, 20));
    }

    @Test
    public void thePictureHasEachPatchAtItsPlace() {
        ChartPage page = PAGES.get(1);
        char[] picture = page.picture();
        int width = page.widthPixels();
        int height = page.heightPixels();
        assertThat(picture).hasSize(3 * width * height);
        for (int i = 0; i < page.patches().size(); i++) {
            double[] middle = page.middle(i);
            int at = 3 * ((int) (middle[1] * height) * width + (int) (middle[0] * width));
            assertThat(picture[at] / 65535.0).isBetween(page.patches().get(i).rgb()[0] - 1e-4, page.patches().get(i).rgb()[0] + 1e-4);
        }
        // the letter A above the first column: its bar lies in the middle of it
        assertThat(picture[3 * (width * 7 + ChartPage.PATCH_PIXELS + 7)]).isEqualTo((char) 0);
        assertThat(picture[3 * (width + 1)]).isEqualTo((char) 65535);
    }

    private static List<Lab> read(ChartPage page) {
        return page.patches().stream().map(p -> MadeProfiles.measured(p.rgb())).toList();
    }

    @Test
    public void aPageThatWasReadRightStaysAsItIs() {
        ChartReading.Ordered found = ChartReading.ordered(1, PAGES, read(PAGES.get(0)));
        assertThat(found.words()).isEmpty();
        assertThat(found.of(read(PAGES.get(0)))).isEqualTo(read(PAGES.get(0)));
    }

    @Test
    public void aPageUpsideDownIsPutInOrder() {
        List<Lab> turned = new ArrayList<>(read(PAGES.get(0)));
        Collections.reverse(turned);
        ChartReading.Ordered found = ChartReading.ordered(1, PAGES, turned);
        assertThat(found.words()).containsExactly("It was read upside down; its patches are put in order.");
        assertThat(found.of(turned)).isEqualTo(read(PAGES.get(0)));
    }

    /** Both pages must have as many patches to be taken for each other. */
    @Test
    public void pagesThatWereMixedUpAreRecognised() {
        List<ChartPage> even = List.of(new ChartPage(1, 20, CHART.patches().subList(0, 440)),
            new ChartPage(2, 20, CHART.patches().subList(440, 880)));
        ChartReading.Ordered found = ChartReading.ordered(1, even, read(even.get(1)));
        assertThat(found.page()).isEqualTo(2);
        assertThat(found.words()).containsExactly("It is page 2, not 1.");
    }

    @Test
    public void rowsThatWereSwappedAreSwappedBack() {
        ChartPage page = PAGES.get(0);
        List<Lab> read = new ArrayList<>(read(page));
        for (int c = 0; c < page.columns(); c++) {
            Collections.swap(read, 3 * page.columns() + c, 7 * page.columns() + c);
        }
        ChartReading.Ordered found = ChartReading.ordered(1, PAGES, read);
        assertThat(found.words()).containsExactly("Rows 4 and 8 were read one for the other; they are put back.");
        assertThat(found.of(read)).isEqualTo(read(page));
    }

    @Test
    public void anotherChartIsRefusedInWords() {
        List<Lab> other = new ArrayList<>(read(PAGES.get(0)));
        Collections.shuffle(other, new java.util.Random(3));
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> ChartReading.ordered(1, PAGES, other))
            .withMessageContaining("no page of this chart");
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> ChartReading.ordered(1, PAGES, other.subList(0, 17)))
            .withMessageContaining("17 patches");
        List<Lab> hundredfold = read(PAGES.get(0)).stream().map(c -> new Lab(100 * c.l(), c.a(), c.b())).toList();
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> ChartReading.ordered(1, PAGES, hundredfold))
            .withMessageContaining("No print has");
    }

    @Test
    public void aSpeckIsFoundAndNothingElse() {
        SplittableRandom noise = new SplittableRandom(4);
        List<Patch> read = new ArrayList<>(
            CHART.patches().stream().map(p -> new Patch(p.id(), p.rgb(), noisy(MadeProfiles.measured(p.rgb()), noise))).toList());
        assertThat(ChartReading.suspects(read)).isEmpty();
        for (int i : new int[] {17, 402}) {
            Patch p = read.get(i);
            read.set(i, new Patch(p.id(), p.device(), new Lab(p.lab().l() - 9, p.lab().a() + 4, p.lab().b())));
        }
        assertThat(ChartReading.suspects(read).stream().map(ChartReading.Suspect::index)).containsExactlyInAnyOrder(17, 402);
    }
}
