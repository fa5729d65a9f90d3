package wistel.core.cgats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.MeasurementException;

/** What a text's lines are, and texts that are no reading but large. */
public class LinesTest {
    private static final int SIX_MEGABYTES = 6 << 20;

    @Test
    public void linesEndAsUnicodeSaysAndKeepTheirPlaces() {
        assertThat(Table.lines("a\nb\r\nc\rd\u2028e\u0085\n", Table::broken)).containsExactly("a", "b", "c", "d", "e", "", "");
        assertThat(Table.lines("", Table::broken)).containsExactly("");
    }

    @DataProvider
    public Object[][] large() {
        return new Object[][] {{"\"", "line 1 has more than"}, {"1 ", "line 1 has more than"}, {"1", "line 1 has more than"},
            {" ", "line 1 has more than"}, {"\r", "lines"}, {"1\n", "lines"}};
    }

    /** They are refused for their form, before anything is made of all of them. */
    @Test(dataProvider = "large")
    public void sixMegabytesOfOneThingAreNoReading(String of, String why) {
        String text = of.repeat(SIX_MEGABYTES / of.length());
        assertThatThrownBy(() -> Readings.parse(text)).isInstanceOf(MeasurementException.class).hasMessageContaining(why);
        assertThatThrownBy(() -> Readings.parse("BEGIN_DATA\n" + text)).isInstanceOf(MeasurementException.class)
            .hasMessageContaining(why.replace("line 1", "line 2"));
    }
}
