package wistel.core.printer;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Keywords of any printer as words: whose they are is nobody's business. */
public class KeywordsTest {
    @DataProvider
    public Object[][] keywords() {
        return new Object[][] {{"photographic-semi-gloss", "photographic semi gloss"}, {"wistel-mono-darkness", "mono darkness"},
            {"com.wistel.dry-time", "dry time"},
            {"smi4711-art-paper", "art paper"}, {"x-somebody-heavy-rag", "heavy rag"}, {"com.somebody.printing.fine-art", "fine art"},
            {"org.somebody-matte", "matte"}, {"auto", "auto"},
            {"aborted-by-system", "aborted by system"}, {"iso_a4_210x297mm", "iso a4 210x297mm"}, {"", ""}};
    }

    @Test(dataProvider = "keywords")
    public void theMakersMarkIsLeftOut(String keyword, String words) {
        assertThat(Keywords.words(keyword)).isEqualTo(words);
    }

    @Test
    public void whatNobodyReadsToItsEndIsCut() {
        assertThat(Keywords.words("very-" + "long-".repeat(60))).hasSizeLessThanOrEqualTo(61).endsWith("…");
    }
}
