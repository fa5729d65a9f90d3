package wistel.core.cgats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.colour.Spectrum;
import wistel.core.fault.MeasurementException;

public class CgatsTest {

    private static String file(String columns, String... rows) {
        return "CGATS.17\nDESCRIPTOR \"a test\"\n# a comment\nNUMBER_OF_FIELDS " + columns.split(" ").length + "\nBEGIN_DATA_FORMAT\n"
            + columns
            + "\nEND_DATA_FORMAT\nNUMBER_OF_SETS " + rows.length + "\nBEGIN_DATA\n" + String.join("\n", rows) + "\nEND_DATA\n";
    }

    @Test
    public void quotedNamesCommentsAndBothScalesOfRgbAreRead() {
        Cgats percent = Cgats.parse(
            file("SAMPLE_ID SAMPLE_NAME RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 \"A 1\" 0 50 100 40.5 -3 12", "2 A2 100 100 100 96 0 -2"));
        assertThat(percent.device()).isEqualTo(Cgats.Device.RGB);
        assertThat(percent.patches().get(0).device()).containsExactly(0, 0.5, 1);
        assertThat(percent.patches().get(0).lab().b()).isEqualTo(12);
        Cgats bytes = Cgats.parse(file("sample_id rgb_r rgb_g rgb_b lab_l lab_a lab_b", "1 0 51 255 40 0 0"));
        assertThat(bytes.patches().get(0).device()).containsExactly(new double[] {0, 0.2, 1}, within(1e-12));
    }

    @Test
    public void inksGrayAndXyzAreRead() {
        Cgats inks = Cgats
            .parse(file("SAMPLE_ID CMYK_C CMYK_M CMYK_Y CMYK_K XYZ_X XYZ_Y XYZ_Z", "1 0 0 0 0 96.42 100 82.49", "2 100 0 40 5 10 12 20"));
        assertThat(inks.device()).isEqualTo(Cgats.Device.CMYK);
        assertThat(inks.patches().get(0).lab().l()).isCloseTo(100, within(1e-9));
        assertThat(inks.patches().get(1).device()).containsExactly(1, 0, 0.4, 0.05);
        // GRAY counts light, GRAY_K ink
        assertThat(Cgats.parse(file("GRAY LAB_L LAB_A LAB_B", "30 40 0 0")).patches().get(0).device()[0]).isCloseTo(0.3, within(1e-12));
        assertThat(Cgats.parse(file("GRAY_K LAB_L LAB_A LAB_B", "30 40 0 0")).patches().get(0).device()[0]).isCloseTo(0.7, within(1e-12));
    }

    /** A perfect diffuser is the connection space's white (ICC.1:2022, 7.2.16). */
    @Test
    public void spectraAreSummedUnderD50() {
        double[] white = Spectrum.xyz(380, 10, IntStream.range(0, 36).mapToDouble(i -> 1).toArray());
        assertThat(white).containsExactly(new double[] {0.9642, 1, 0.8249}, within(1e-9));
        String bands = IntStream.range(0, 36).mapToObj(i -> "SPECTRAL_NM_" + (380 + 10 * i)).collect(Collectors.joining(" "));
        String half = IntStream.range(0, 36).mapToObj(i -> "0.1842").collect(Collectors.joining(" "));
        Cgats read = Cgats.parse(file("SAMPLE_ID RGB_R RGB_G RGB_B " + bands, "1 50 50 50 " + half));
        // 18.42 % reflects L* 50.0 (CIE 15:2018, 8.2.1.1), and a flat spectrum is neutral
        assertThat(read.patches().get(0).lab().l()).isCloseTo(50.0, within(0.01));
        assertThat(read.patches().get(0).lab().chroma()).isLessThan(0.1);
        Cgats percent = Cgats
            .parse(file("RGB_R RGB_G RGB_B " + bands.replace("SPECTRAL_NM_", "nm"), "50 50 50 " + half.replace("0.1842", "18.42")));
        assertThat(percent.patches().get(0).lab().l()).isCloseTo(50.0, within(0.01));
    }

    /** Spectra beside L*a*b* are taken along, and written again; of another light only they count. */
    @Test
    public void spectraGoAlong() {
        String bands = IntStream.range(0, 36).mapToObj(i -> "SPECTRAL_NM_" + (380 + 10 * i)).collect(Collectors.joining(" "));
        String half = IntStream.range(0, 36).mapToObj(i -> "0.1842").collect(Collectors.joining(" "));
        String all = file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B " + bands, "1 50 50 50 49.5 1 2 " + half);
        Cgats read = Cgats.parse(all);
        Patch patch = read.patches().get(0);
        assertThat(patch.lab().l()).as("what the instrument said goes before").isEqualTo(49.5);
        assertThat(patch.spectrum().orElseThrow().values()).hasSize(36).containsOnly(0.1842);
        assertThat(patch.spectrum().orElseThrow().lab().l()).isCloseTo(50.0, within(0.01));
        Cgats again = Cgats.parse(Cgats.of(Cgats.Device.RGB, "Wistel", "again", read.patches()).text());
        assertThat(again.patches().get(0).spectrum()).isEqualTo(patch.spectrum());
        assertThat(Readings.parse(all).all().get(0).spectrum()).isEqualTo(patch.spectrum());
        for (String other : new String[] {"WEIGHTING_FUNCTION \"ILLUMINANT, D65\"",
            "MEASUREMENT_SOURCE \"Illumination=A ObserverAngle=2degree\"",
            "MEASUREMENT_SOURCE \"Illumination=D50\tObserverAngle=10degree\""}) {
            String viewed = all.replace("BEGIN_DATA_FORMAT", other + "\nBEGIN_DATA_FORMAT");
            assertThat(Cgats.parse(viewed).patches().get(0).lab().l()).as(other).isCloseTo(50.0, within(0.01));
            String alone = file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 50 50 50 49.5 1 2").replace("BEGIN_DATA_FORMAT",
                other + "\nBEGIN_DATA_FORMAT");
            assertThatThrownBy(() -> Cgats.parse(alone)).isInstanceOf(MeasurementException.class).hasMessageContaining("D50 and 2 degrees");
        }
        String same = all.replace("BEGIN_DATA_FORMAT", "MEASUREMENT_SOURCE \"Illumination=D50 ObserverAngle=2degree\"\nBEGIN_DATA_FORMAT");
        assertThat(Cgats.parse(same).patches().get(0).lab().l()).isEqualTo(49.5);
    }

    /** Colours that are good by themselves count whatever stands beside them, and a person's own words aren't a light. */
    @Test
    public void whatStandsBesideGoodColoursDoesNotSpoilThem() {
        String bands = IntStream.range(0, 36).mapToObj(i -> "SPECTRAL_NM_" + (380 + 10 * i)).collect(Collectors.joining(" "));
        String half = IntStream.range(0, 36).mapToObj(i -> "0.1842").collect(Collectors.joining(" "));
        String all = file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B " + bands, "1 50 50 50 49.5 1 2 " + half);
        for (String spoilt : new String[] {all.replace("SPECTRAL_NM_500", "SPECTRAL_NM_505"), all.replace("0.1842\n", "-0.9\n"),
            all.replace("0.1842\n", "n/a\n")}) {
            Patch patch = Cgats.parse(spoilt).patches().get(0);
            assertThat(patch.lab().l()).isEqualTo(49.5);
            assertThat(patch.spectrum()).as(spoilt).isEmpty();
        }
        String described = all.replace("BEGIN_DATA_FORMAT", "DESCRIPTOR \"Illumination: a hall, observer 10 m away\"\nBEGIN_DATA_FORMAT");
        assertThat(Cgats.parse(described).patches().get(0).lab().l()).isEqualTo(49.5);
    }

    /** Published relative powers of D50 (CIE 15:2018, table T.1), which were not typed in but follow from the daylight formula. */
    @Test
    public void d50sPowersAreThePublishedOnes() {
        double[][] published = {{400, 49.31}, {450, 87.25}, {500, 95.72}, {550, 102.32}, {600, 97.69}, {700, 91.60}};
        for (double[] p : published) {
            assertThat(Spectrum.d50Power((int) p[0])).as("at %s nm", p[0]).isCloseTo(p[1], within(0.05));
        }
    }

    /**
     * A filter that only passes 550 to 560 nm is a yellowish green: x and y lie near the spectrum's own place there, 0.3373, 0.6589 at 555
     * nm.
     */
    @Test
    public void aNarrowBandHasTheColourOfItsPlaceInTheSpectrum() {
        double[] band = new double[36];
        band[17] = 1;
        band[18] = 1;
        double[] xyz = Spectrum.xyz(380, 10, band);
        double sum = xyz[0] + xyz[1] + xyz[2];
        assertThat(xyz[0] / sum).isCloseTo(0.3373, within(0.003));
        assertThat(xyz[1] / sum).isCloseTo(0.6589, within(0.003));
        assertThat(D50.lightness(xyz[1])).isGreaterThan(40);
    }

    @DataProvider
    Object[][] broken() {
        return new Object[][] {
            {file("SAMPLE_ID LAB_L LAB_A LAB_B", "1 40 0 0"), "no RGB, CMYK or gray"},
            {file("SAMPLE_ID RGB_R RGB_G RGB_B", "1 4 0 0"), "lacks LAB, XYZ and spectral"},
            {file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 0 0 0 40 0 0", "2 0 0 zero 40 0 0"), "row 2"},
            {file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 0 0 0 40 0"), "row 1 has 6 of 7"},
            {file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 -20 0 0 40 0 0"), "outside its range"},
            {file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 0 0 0 NaN 0 0"), "row 1"},
            {"CGATS.17\nBEGIN_DATA\n1 2 3\nEND_DATA\n", "missing or cut off"},
            {file("RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "0 0 0 40 0 0").replace("END_DATA\n", ""), "missing or cut off"}};
    }

    @Test(dataProvider = "broken")
    public void aFileThatCantBeUsedSaysWhy(String text, String why) {
        assertThatThrownBy(() -> Cgats.parse(text)).isInstanceOf(MeasurementException.class).hasMessageContaining(why);
    }

    /** Whatever is done to a file's text, the outcome is patches or a typed error, and quickly. */
    @Test(timeOut = 120_000)
    public void mutatedFilesAreReadOrRefused() {
        String good = file("SAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B", "1 0 50 100 40.5 -3 12", "\"2 b\" 100 100 100 96 0 -2",
            "3 0 0 0 9 1 1");
        SplittableRandom random = new SplittableRandom(12);
        int refused = 0;
        for (int i = 0; i < 4000; i++) {
            StringBuilder text = new StringBuilder(good);
            for (int k = 0; k <= random.nextInt(5); k++) {
                int at = random.nextInt(Math.max(1, text.length()));
                if (text.isEmpty()) {
                    break;
                }
                switch (random.nextInt(4)) {
                    case 0 -> text.deleteCharAt(at);
                    case 1 -> text.insert(at, (char) random.nextInt(1, 400));
                    case 2 -> text.setCharAt(at, "0123456789.-e\"\n\t#".charAt(random.nextInt(17)));
                    default -> text.setLength(Math.max(1, at));
                }
            }
            try {
                assertThat(Cgats.parse(text.toString()).patches())
                    .allMatch(p -> p.device().length == 3 && p.device()[0] >= 0 && p.device()[0] <= 1);
            } catch (MeasurementException e) {
                refused++;
            }
        }
        assertThat(refused).isBetween(500, 3900);
    }
}
