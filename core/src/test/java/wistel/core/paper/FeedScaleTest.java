package wistel.core.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.paper.FeedScale.Direction;

public class FeedScaleTest {
    @Test
    public void aMetreThatReadsTwoMillimetresMoreGivesTwoInAThousand() {
        assertThat(FeedScale.NONE.measured(Direction.ALONG, 1000, 1002)).isCloseTo(1.002, within(1e-12));
    }

    /** A line that was printed with factors in force tells what they miss. */
    @Test
    public void aLinePrintedWithFactorsCorrectsThem() {
        FeedScale before = new FeedScale(0.9995, 1.002);
        assertThat(before.measured(Direction.ALONG, 1000, 1000)).isEqualTo(1.002);
        assertThat(before.measured(Direction.ALONG, 1000, 999.5)).isCloseTo(1.001499, within(1e-9));
        assertThat(before.measured(Direction.ACROSS, 500, 500.5)).isCloseTo(1.0004995, within(1e-9));
    }

    @DataProvider
    Object[][] nonsense() {
        return new Object[][] {{0.0}, {-1000.0}, {500.0}, {979.0}, {1021.0}, {1e308}, {Double.NaN}, {Double.POSITIVE_INFINITY}};
    }

    @Test(dataProvider = "nonsense")
    public void whatNoFeedDoesIsRefusedInWords(double read) {
        assertThatThrownBy(() -> FeedScale.NONE.measured(Direction.ALONG, 1000, read)).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("no feed is that far off");
        assertThatThrownBy(() -> new FeedScale(1, read)).isInstanceOf(IllegalArgumentException.class);
    }
}
