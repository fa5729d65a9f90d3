package wistel.core.icc.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.cgats.Cgats;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.ProfileException;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.stage.Grid;
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
        Grid grid = LutReader.read(read.tag("A2B0").orElseThrow(), ColourSpace.RGB, ColourSpace.LAB).stream()
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
        java.util.Arrays.fill(codes, (char) 0x8000);
        codes[21] = 0xFF00;
        IccProfile p = ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "t", "c").tag("A2B0", LutWriter.lut16(3, 3, 2, codes)).write());
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
        return new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "small", "c").xyz("wtpt", new double[] {0.9, 0.92, 0.75})
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
}
