package wistel.core.icc.gamut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;

public class PictureColoursTest {
    private static char[] codes(double... lab) {
        char[] codes = new char[lab.length];
        for (int i = 0; i < lab.length; i += 3) {
            codes[i] = LabEncoding.V4.ofL(lab[i]);
            codes[i + 1] = LabEncoding.V4.ofAb(lab[i + 1]);
            codes[i + 2] = LabEncoding.V4.ofAb(lab[i + 2]);
        }
        return codes;
    }

    /** Three near one another, one of them out; one far off. */
    @Test
    public void coloursOfOneCellAreOnePointOfTheirMean() {
        byte out = (byte) GamutCheck.Cause.TOO_VIVID.ordinal();
        PictureColours found = PictureColours.of(codes(51, 13, 13, 52, 12, 12, 53, 14, 14, 20, -60, 30), new byte[] {0, 0, out, out}, 10);
        assertThat(found.outside()).isEqualTo(0.5);
        assertThat(found.colours()).hasSize(2);
        PictureColours.ColourPoint first = found.colours().get(0);
        assertThat(first.lab().l()).isCloseTo(52, within(0.02));
        assertThat(first.lab().a()).isCloseTo(13, within(0.02));
        assertThat(first.share()).isEqualTo(0.75);
        assertThat(first.outside()).isCloseTo(1 / 3.0, within(1e-9));
        assertThat(found.colours().get(1).outside()).isEqualTo(1);
    }

    @Test
    public void theMostFrequentAreTold() {
        PictureColours found = PictureColours.of(codes(10, 0, 0, 80, 0, 0, 80, 0, 0), new byte[3], 1);
        assertThat(found.colours()).hasSize(1);
        assertThat(found.colours().get(0).lab().l()).isCloseTo(80, within(0.01));
    }

    @Test
    public void everyPixelHasItsCause() {
        assertThatIllegalArgumentException().isThrownBy(() -> PictureColours.of(new char[6], new byte[1], 5));
    }
}
