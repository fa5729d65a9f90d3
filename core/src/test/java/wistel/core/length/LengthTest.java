package wistel.core.length;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;

public class LengthTest {
    @DataProvider
    Object[][] written() {
        return new Object[][] {{"305", 305}, {"30.5cm", 305}, {"12in", 304.8}, {" 12,5 in ", 317.5}, {"12\"", 304.8}, {"0.4 m", 400},
            {"297 MM", 297}};
    }

    @Test(dataProvider = "written")
    public void lengthsAreReadAsPeopleWriteThem(String text, double mm) {
        assertThat(Length.parseMm(text, Length.Unit.MM)).isCloseTo(mm, within(1e-9));
    }

    @Test
    public void whatIsNoLengthIsRefusedInWords() {
        for (String text : new String[] {"", "wide", "12 ft", "-4", "1e9", "12 in in"}) {
            assertThatThrownBy(() -> Length.parseMm(text, Length.Unit.MM)).isInstanceOf(InvalidRequest.class)
                .hasMessageContaining("not a length");
        }
    }

    @Test
    public void theSamePixelsLookFinerFromFartherAway() {
        assertThat(Ppi.of(6000, 508)).isCloseTo(300, within(1e-9));
        assertThat(Ppi.label(120, 0)).isEqualTo(Ppi.Label.POOR);
        assertThat(Ppi.label(120, 1000)).isEqualTo(Ppi.Label.FINE);
        assertThat(Ppi.label(299.9, 0)).isEqualTo(Ppi.Label.GOOD);
    }
}
