package wistel.server.edge;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

public class RepeatedLinesTest {
    @Test
    public void aLineIsSaidThreeTimesAMinuteAndOthersAreLeftAlone() {
        RepeatedLines lines = new RepeatedLines();
        long second = 1_000_000_000L;
        int said = 0;
        for (int i = 0; i < 1000; i++) {
            said += lines.repeated("away", second + i) ? 0 : 1;
        }
        assertThat(said).isEqualTo(3);
        assertThat(lines.repeated("something else", second)).isFalse();
        assertThat(lines.repeated("away", 62 * second)).as("a minute later it is said again").isFalse();
    }
}
