package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

public class TypefaceTest {
    private static final double UNITS = 1000;

    /**
     * What a pair is narrower than its two glyphs side by side: read from the font's GPOS table by a second program, in thousandths of the
     * size.
     */
    @Test
    public void pairsAreKernedAsTheFontSays() {
        Object[][] pairs = {{"AV", -28}, {"To", -80}, {"LT", -81}, {"Ya", -95}, {"Te", -80}, {"P.", -90}, {"ii", 0}, {"nn", 0}};
        for (Object[] pair : pairs) {
            String words = (String) pair[0];
            double apart = Typeface.width(words.substring(0, 1)) + Typeface.width(words.substring(1));
            assertThat((Typeface.width(words) - apart) * UNITS).as(words).isCloseTo((Integer) pair[1], within(0.001));
        }
    }

    /** An accent written apart is the accented letter where the typeface has it. */
    @Test
    public void accentsAreJoined() {
        assertThat(Typeface.width("e\u0301")).isEqualTo(Typeface.width("é"));
        assertThat(Typeface.outline("A\u030A").getBounds2D()).isEqualTo(Typeface.outline("Å").getBounds2D());
        assertThat(Typeface.outline("é").getBounds2D().getHeight()).isGreaterThan(Typeface.outline("e").getBounds2D().getHeight());
    }

    @Test
    public void theOutlineIsAsLongAsItsWidthSays() {
        double bounds = Typeface.outline("Fells, first light 3 of 25").getBounds2D().getMaxX();
        assertThat(bounds).isCloseTo(Typeface.width("Fells, first light 3 of 25"), within(0.1));
    }
}
