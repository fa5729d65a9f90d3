package wistel.core.length;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.testng.annotations.Test;

public class RationalTest {
    @Test
    public void resolutionsThatAreFractionsComeOutAsThey() {
        assertThat(Rational.of(300)).isEqualTo(new Rational(300, 1));
        assertThat(Rational.of(299.88)).isEqualTo(new Rational(7497, 25));
        // 6000 pixels on 508.3 mm: 6000 * 254 / 5083
        assertThat(Rational.of(6000 * 25.4 / 508.3)).isEqualTo(new Rational(1_524_000, 5083));
        assertThat(Rational.of(0.5)).isEqualTo(new Rational(1, 2));
    }

    @Test
    public void anyResolutionIsMetWithinOneInTenToTheEighth() {
        Random random = new Random(7);
        for (int i = 0; i < 20_000; i++) {
            double value = Math.pow(10, random.nextDouble() * 8 - 3);
            assertThat(Rational.of(value).value()).isCloseTo(value, within(1e-8 * Math.max(1, value)));
        }
    }

    @Test
    public void whatIsNoResolutionIsRefused() {
        for (double none : new double[] {0, -1, Double.NaN, Double.POSITIVE_INFINITY, 1e7, 1e-9}) {
            assertThatThrownBy(() -> Rational.of(none)).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
