package wistel.core.icc.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.fault.ProfileException;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.icc.stage.Stage;

public class ProfileTest {

    @Test
    public void theChartTravelsInsideTheProfileWordForWord() {
        byte[] targ = MadeProfiles.printer().tag("targ").orElseThrow();
        assertThat(TagReader.text(targ)).isEqualTo(MadeProfiles.chart().text().trim());
    }

    @Test
    public void tablesWrittenAreReadBackToTheBit() {
        char[] codes = new char[27 * 3];
        SplittableRandom random = new SplittableRandom(2);
        for (int i = 0; i < codes.length; i++) {
            codes[i] = (char) random.nextInt(65536);
        }
        IccProfile read = ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "t", "c")
            .xyz("wtpt", new double[] {0.9, 0.92, 0.75}).tag("A2B0", LutWriter.lut16(3, 3, 3, codes)).write());
        ClutGrid grid = LutReader.read(read.tag("A2B0").orElseThrow(), ColourSpace.RGB, ColourSpace.LAB).stream()
            .filter(Stage.Clut.class::isInstance).map(s -> ((Stage.Clut) s).grid()).findFirst().orElseThrow();
        for (int i = 0; i < codes.length; i++) {
            assertThat(Math.round(grid.values()[i] * 65535.0)).isEqualTo(codes[i]);
        }
        assertThat(read.mediaWhite()[1]).isCloseTo(0.92, within(1e-5));
        assertThat(read.description()).isEqualTo("t");
    }

    /** ICC.1:2022, 10.11: L* of lut16 is FF00 for 100 even in a v4 profile. */
    @Test
    public void labOfLut16KeepsItsOlderCodingInAVersionFourProfile() {
        char[] codes = new char[24];
        Arrays.fill(codes, (char) 0x8000);
        codes[21] = 0xFF00;
        IccProfile p = ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "t", "c")
            .tag("A2B0", LutWriter.lut16(3, 3, 2, codes)).write());
        double[] work = new double[16];
        work[0] = 1;
        work[1] = 1;
        work[2] = 1;
        for (Stage s : LutReader.read(p.tag("A2B0").orElseThrow(), ColourSpace.RGB, ColourSpace.LAB)) {
            s.apply(work, 16, 1);
        }
        assertThat(work[0]).isCloseTo(100, within(1e-4));
        assertThat(work[1]).isCloseTo(0, within(1e-4));
    }

    private static byte[] small() {
        char[] codes = new char[24];
        return new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "small", "c")
            .xyz("wtpt", new double[] {0.9, 0.92, 0.75})
            .tag("A2B0", LutWriter.lut16(3, 3, 2, codes)).tag("B2A0", LutWriter.lut16(3, 3, 2, codes)).write();
    }

    @Test
    public void aGridOfGigabytesIsRefusedBeforeMemoryIsTaken() {
        byte[] bytes = small();
        IccProfile p = ProfileReader.read(bytes);
        byte[] tag = p.tag("A2B0").orElseThrow().clone();
        tag[10] = (byte) 255;
        assertThatThrownBy(() -> LutReader.read(tag, ColourSpace.RGB, ColourSpace.LAB)).isInstanceOf(ProfileException.class);
        ByteBuffer.wrap(bytes).putInt(128, Integer.MAX_VALUE);
        assertThatThrownBy(() -> ProfileReader.read(bytes)).isInstanceOf(ProfileException.class).hasMessageContaining("tags");
    }

    /** What Wistel doesn't know stays as it was: an unknown tag, maker's header fields, and the order of tags. */
    @Test
    public void aProfileWrittenAgainKeepsWhatIsUnknownByteForByte() {
        byte[] own = {'z', 'z', 'z', '1', 0, 0, 0, 0, 1, 2, 3, 5, 8, 13};
        for (ProfileWriter.Version version : ProfileWriter.Version.values()) {
            byte[] file = new ProfileWriter(version, DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "made elsewhere", "c")
                .tag("zzzz", own).tag("B2A0", LutWriter.lut16(3, 3, 2, new char[24])).write();
            ByteBuffer.wrap(file).putInt(48, 0x41424344).putInt(52, 0x45464748);
            IccProfile read = ProfileReader.read(file);
            IccProfile again = ProfileReader.read(ProfileWriter.of(read).describe("renamed").write());
            assertThat(again.majorVersion()).isEqualTo(version == ProfileWriter.Version.V4 ? 4 : 2);
            assertThat(again.tag("zzzz").orElseThrow()).isEqualTo(own);
            assertThat(again.tag("B2A0").orElseThrow()).isEqualTo(read.tag("B2A0").orElseThrow());
            assertThat(again.tags().keySet()).containsExactlyElementsOf(read.tags().keySet());
            assertThat(again.description()).isEqualTo("renamed");
            assertThat(Arrays.copyOfRange(again.bytes(), 48, 56)).isEqualTo(Arrays.copyOfRange(file, 48, 56));
        }
    }

    @Test
    public void everyFoundProfileWrittenAgainHasTheSameTags() {
        FoundProfiles.files().forEach((name, file) -> {
            IccProfile read = ProfileReader.read(file);
            IccProfile again = ProfileReader.read(ProfileWriter.of(read).write());
            assertThat(again.tags().keySet()).as(name).isEqualTo(read.tags().keySet());
            read.tags().forEach((tag, bytes) -> assertThat(again.tag(tag).orElseThrow()).as(name + " " + tag).isEqualTo(bytes));
        });
    }

    /** Each kind of curve and table that Wistel writes, read back to the bit; lutAToB with all five parts. */
    @Test
    public void curvesAndComposedTablesWrittenAreReadBack() {
        char[] nodes = new char[2 * 3 * 4 * 3];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = (char) (i * 911);
        }
        byte[] curve = TagWriter.sampled((char) 0, (char) 9000, (char) 65535);
        byte[] gamma = TagWriter.parametric(1.8);
        byte[] tag = LutWriter.deviceFirst(3,
            new LutWriter.Parts(List.of(gamma, gamma, gamma), new double[] {0.5, 0, 0, 0, 1, 0, 0, 0, 1, 0.25, 0, 0},
                List.of(gamma, gamma, gamma), List.of(new LutWriter.Table(new int[] {2, 3, 4}, nodes)), List.of(curve, curve, curve)));
        List<Stage> stages = LutReader.read(tag, ColourSpace.RGB, ColourSpace.XYZ);
        assertThat(stages).hasSize(6);
        ClutGrid grid = ((Stage.Clut) stages.get(1)).grid();
        for (int i = 0; i < nodes.length; i++) {
            assertThat(Math.round(grid.values()[i] * 65535.0)).isEqualTo(nodes[i]);
        }
        assertThat(((Stage.Curves) stages.get(0)).curves()[2].at(0.5)).isCloseTo(9000 / 65535.0, within(1e-12));
        assertThat(((Stage.Linear) stages.get(3)).offset()[0]).isEqualTo(0.25);
        assertThat(TagReader.curve(gamma).at(0.5)).isCloseTo(Math.pow(0.5, 1.8), within(1e-5));
        assertThat(TagReader.curve(TagWriter.sampled((char) 563)).at(0.5)).isCloseTo(Math.pow(0.5, 563 / 256.0), within(1e-12));
    }

    /** ICC.1:2022, table 68: the five parametric types, each at a place below and above where it changes over. */
    @Test
    public void theFiveParametricTypesFollowTheirTable() {
        assertThat(at(0.5, 2)).isCloseTo(0.25, within(1e-4));
        assertThat(at(0.5, 2, 1, -0.25)).isCloseTo(0.0625, within(1e-4));
        assertThat(at(0.2, 2, 1, -0.25)).isZero();
        assertThat(at(0.5, 2, 1, -0.25, 0.1)).isCloseTo(0.1625, within(1e-4));
        assertThat(at(0.2, 2, 1, -0.25, 0.1)).isCloseTo(0.1, within(1e-4));
        assertThat(at(0.5, 2, 1, 0, 0.3, 0.4)).isCloseTo(0.25, within(1e-4));
        assertThat(at(0.2, 2, 1, 0, 0.3, 0.4)).isCloseTo(0.06, within(1e-4));
        assertThat(at(0.5, 2, 1, 0, 0.3, 0.4, 0.05, 0.02)).isCloseTo(0.30, within(1e-4));
        assertThat(at(0.2, 2, 1, 0, 0.3, 0.4, 0.05, 0.02)).isCloseTo(0.08, within(1e-4));
    }

    private static double at(double x, double... parameters) {
        return TagReader.curve(TagWriter.parametric(parameters)).at(x);
    }

    @Test
    public void floatingPointTablesArePassedOverWithANote() {
        IccProfile plain = ProfileReader.read(small());
        assertThat(plain.notes()).isEmpty();
        assertThat(ProfileReader.read(ProfileWriter.of(plain).tag("D2B0", new byte[16]).write()).notes()).hasSize(1);
    }
}
