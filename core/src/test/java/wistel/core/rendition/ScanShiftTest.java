package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;

/** What a scan says that is no matter of taste. */
public class ScanShiftTest {
    private static final int PLACES = 3000;

    /** L* 5 to 95, evenly, a little noise on what is scanned. */
    private static char[] print(DoubleUnaryOperator lightness, double a, double b) {
        SplittableRandom random = new SplittableRandom(2);
        char[] codes = new char[3 * PLACES];
        for (int i = 0; i < PLACES; i++) {
            double l = 5 + 90.0 * i / PLACES;
            codes[3 * i] = LabEncoding.V4.ofL(lightness.applyAsDouble(l) + random.nextDouble(-2, 2));
            codes[3 * i + 1] = LabEncoding.V4.ofAb(a + random.nextDouble(-2, 2));
            codes[3 * i + 2] = LabEncoding.V4.ofAb(b + random.nextDouble(-2, 2));
        }
        return codes;
    }

    @Test
    public void shadowsThatCameOutDarkerAreTold() {
        ScanShift shift = ScanShift.of(print(l -> l, 0, 0), print(l -> l < 35 ? l - 2.1 : l, 0, 0));
        assertThat(shift.shadowsL()).isCloseTo(-2.1, within(0.15));
        assertThat(shift.lightsL()).isCloseTo(0, within(0.15));
        assertThat(shift.words()).matches("2\\.[0-2] L\\* darker in the shadows");
    }

    @Test
    public void aShiftOfAllOfItIsToldOnce() {
        assertThat(ScanShift.of(print(l -> l, 0, 0), print(l -> l + 3, 2.5, -3)).words())
            .matches("(3\\.0|2\\.9) L\\* lighter all over, 2\\.[456] a\\* redder, (3\\.0|2\\.9|3\\.1) b\\* bluer");
    }

    @Test
    public void whatNobodySeesIsNotTold() {
        assertThat(ScanShift.of(print(l -> l, 0, 0), print(l -> l + 0.8, 0.5, -1)).words()).isEmpty();
        assertThat(ScanShift.of(new char[] {1, 2, 3}, new char[] {1, 2, 3}).words()).isEmpty();
        assertThatThrownBy(() -> ScanShift.of(new char[3], new char[6])).isInstanceOf(IllegalArgumentException.class);
    }
}
