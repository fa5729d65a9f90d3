package wistel.core.icc.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.ProfileException;
import wistel.core.icc.stage.Stage;

/** Tag types byte by byte, as the standard's tables lay them out. */
public class TagTest {

    /** ICC.1:2022, table 55: number of records, record size, then language, country, length, offset for each; v2.4, 6.5.17; 10.24. */
    @Test
    public void textIsReadFromItsThreeTypes() {
        byte[] localized = ByteBuffer.allocate(8 + 8 + 24 + 8 + 6).put("mluc".getBytes(StandardCharsets.US_ASCII)).putInt(0).putInt(2)
            .putInt(12)
            .put("enUS".getBytes(StandardCharsets.US_ASCII)).putInt(8).putInt(40).put("deDE".getBytes(StandardCharsets.US_ASCII)).putInt(6)
            .putInt(48)
            .put("Môle".getBytes(StandardCharsets.UTF_16BE)).put("Ufe".getBytes(StandardCharsets.UTF_16BE)).array();
        assertThat(TagReader.text(localized)).isEqualTo("Môle");
        assertThat(TagReader.text(TagWriter.localized("Baryta, fine"))).isEqualTo("Baryta, fine");
        assertThat(TagReader.text(TagWriter.description("Baryta, fine"))).isEqualTo("Baryta, fine");
        assertThat(TagReader.text(TagWriter.text("Baryta, fine"))).isEqualTo("Baryta, fine");
    }

    /** A name that can't be read is no reason to refuse a profile. */
    @Test
    public void textThatPointsElsewhereIsEmpty() {
        byte[] localized = TagWriter.localized("name");
        for (int at : new int[] {8, 20, 24}) {
            byte[] broken = localized.clone();
            ByteBuffer.wrap(broken).putInt(at, at == 8 ? 0 : 0x7FFFFFF0);
            assertThat(TagReader.text(broken)).isEmpty();
        }
        byte[] description = TagWriter.description("name");
        ByteBuffer.wrap(description).putInt(8, Integer.MAX_VALUE);
        assertThat(TagReader.text(description)).isEmpty();
        assertThat(TagReader.text(new byte[] {'m', 'l', 'u', 'c', 0, 0, 0, 0})).isEmpty();
        assertThat(TagReader.text(TagWriter.xyz(1, 1, 1))).isEmpty();
    }

    @DataProvider
    Object[][] brokenCurves() {
        byte[] claims = TagWriter.sampled((char) 1, (char) 2);
        ByteBuffer.wrap(claims).putInt(8, 4000);
        byte[] negative = TagWriter.sampled((char) 1, (char) 2);
        ByteBuffer.wrap(negative).putInt(8, -1);
        byte[] form = TagWriter.parametric(2.2);
        form[9] = 9;
        byte[] cut = Arrays.copyOf(TagWriter.parametric(2.4, 1, 0, 0.1, 0.04), 20);
        return new Object[][] {{claims, "cut off"}, {negative, "4294967295 points"}, {form, "unknown form 9"}, {cut, "cut off"},
            {TagWriter.text("a long text"), "unknown type"}};
    }

    @Test(dataProvider = "brokenCurves")
    public void aBrokenCurveSaysWhatIsWrong(byte[] tag, String words) {
        assertThatThrownBy(() -> TagReader.curve(tag)).isInstanceOf(ProfileException.class).hasMessageContaining(words);
    }

    @Test
    public void coloursAndMatricesOfOtherTypesAreRefused() {
        assertThatThrownBy(() -> TagReader.xyz(TagWriter.text("no colour at all"))).isInstanceOf(ProfileException.class);
        assertThatThrownBy(() -> TagReader.xyz(Arrays.copyOf(TagWriter.xyz(1, 1, 1), 16))).isInstanceOf(ProfileException.class);
        assertThatThrownBy(() -> TagReader.matrix(TagWriter.numbers(1, 2, 3))).isInstanceOf(ProfileException.class);
        assertThat(TagReader.matrix(TagWriter.numbers(1, 2, 3, 4, 5, 6, 7, 8, -9))).containsExactly(1, 2, 3, 4, 5, 6, 7, 8, -9);
    }

    /** ICC.1:2022, table 4: s15Fixed16Number from 8000 0000 to 7FFF FFFF. */
    @Test
    public void fixedNumbersHaveTheStandardsLimits() {
        byte[] ends = TagWriter.numbers(-32768, 1, 32767 + 65535 / 65536.0);
        assertThat(ByteBuffer.wrap(ends, 8, 12).getInt()).isEqualTo(0x80000000);
        assertThat(ByteBuffer.wrap(ends).getInt(12)).isEqualTo(0x00010000);
        assertThat(ByteBuffer.wrap(ends).getInt(16)).isEqualTo(0x7FFFFFFF);
    }

    /** ICC.1:2022, tables 11 to 14, and 10.10's note for lut16Type. */
    @Test
    public void connectionSpacesAreCodedAsTheStandardsTablesSay() {
        assertThat(coded(PcsEncoding.LAB, 100, 0, 127)).containsExactly(0xFFFF, 0x8080, 0xFFFF);
        assertThat(coded(PcsEncoding.LAB, 0, -128, -128)).containsExactly(0, 0, 0);
        assertThat(coded(PcsEncoding.LAB_V2, 100, 0, 127)).containsExactly(0xFF00, 0x8000, 0xFF00);
        assertThat(coded(PcsEncoding.LAB_V2, 0, -128, -128)).containsExactly(0, 0, 0);
        assertThat(coded(PcsEncoding.XYZ, 0, 1, 1 + 32767.0 / 32768)).containsExactly(0, 0x8000, 0xFFFF);
    }

    @Test
    public void codesOfLabGoBothWays() {
        assertThat(LabEncoding.V4.ofL(100)).isEqualTo((char) 0xFFFF);
        assertThat(LabEncoding.V4.ofAb(0)).isEqualTo((char) 0x8080);
        assertThat((int) LabEncoding.V4.ofL(-3)).isZero();
        assertThat(LabEncoding.V4.ofAb(300)).isEqualTo((char) 0xFFFF);
        for (int code = 0; code < 65536; code += 257) {
            assertThat(LabEncoding.V4.ofL(LabEncoding.V4.l((char) code))).isEqualTo((char) code);
            assertThat(LabEncoding.V4.ofAb(LabEncoding.V4.ab((char) code))).isEqualTo((char) code);
        }
    }

    private static int[] coded(PcsEncoding coding, double... v) {
        double[] work = v.clone();
        Stage encode = coding.encode();
        encode.apply(work, 3, 1);
        int[] codes = IntStream.range(0, 3).map(i -> (int) Math.round(65535 * work[i])).toArray();
        coding.decode().apply(work, 3, 1);
        for (int i = 0; i < 3; i++) {
            assertThat(work[i]).isCloseTo(v[i], within(1e-9));
        }
        return codes;
    }

    /**
     * The working spaces' colorants as the ICC publishes those of sRGB (adapted to D50), and their tone at a middle value by the standards'
     * formulas.
     */
    @Test
    public void theStandardSpacesHaveTheirPublishedFigures() {
        double[][] published = {{0.4361, 0.2225, 0.0139}, {0.3851, 0.7169, 0.0971}, {0.1431, 0.0606, 0.7141}};
        String[] names = {"rXYZ", "gXYZ", "bXYZ"};
        for (int i = 0; i < 3; i++) {
            double[] xyz = TagReader.xyz(StandardSpaces.SRGB.tag(names[i]).orElseThrow());
            for (int c = 0; c < 3; c++) {
                assertThat(xyz[c]).as(names[i]).isCloseTo(published[i][c], within(0.0002));
            }
        }
        double[] adaptation = StandardSpaces.SRGB.adaptation().orElseThrow();
        // chad of the sRGB profiles that the ICC publishes
        double[] bradford = {1.0479, 0.0229, -0.0502, 0.0296, 0.9904, -0.0171, -0.0092, 0.0151, 0.7517};
        for (int i = 0; i < 9; i++) {
            assertThat(adaptation[i]).isCloseTo(bradford[i], within(0.0002));
        }
        // IEC 61966-2-1
        assertThat(ToneCurves.plain(StandardSpaces.SRGB).orElseThrow().applyAsDouble(0.5)).isCloseTo(0.214041, within(1e-5));
        assertThat(ToneCurves.plain(StandardSpaces.GRAY_22).orElseThrow().applyAsDouble(0.5)).isCloseTo(Math.pow(0.5, 2.2), within(1e-4));
        assertThat(StandardSpaces.assumedFor(1)).isEqualTo(StandardSpaces.GRAY_22);
        assertThat(StandardSpaces.assumedFor(3)).isEqualTo(StandardSpaces.SRGB);
    }
}
