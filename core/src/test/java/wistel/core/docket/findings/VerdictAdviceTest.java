package wistel.core.docket.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static wistel.core.docket.Dockets.facts;
import static wistel.core.docket.Dockets.ready;

import java.util.List;
import org.testng.annotations.Test;
import wistel.core.docket.Dockets;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.rendition.ToneMoves;
import wistel.core.rendition.Warmth;

/** A verdict leads to changes that go the other way. */
public class VerdictAdviceTest {
    private static DocketSpec after(String verdict, int nth, DocketSpec d) {
        return VerdictAdvice.of(verdict, d, facts()).get(nth).change().on(d);
    }

    private static ToneMoves tones(DocketSpec d) {
        return (ToneMoves) d.renditions().get(0).compensation().moves().stream().filter(ToneMoves.class::isInstance).findFirst()
            .orElseThrow();
    }

    @Test
    public void tooDarkIsPrintedLighterAndAgainLighterUpToTheEnd() {
        DocketSpec lighter = after("too dark", 0, ready());
        assertThat(tones(lighter).brightness()).isEqualTo(8);
        DocketSpec d = lighter;
        for (int i = 0; i < 10; i++) {
            d = after("too dark", 0, d);
        }
        assertThat(tones(d).brightness()).isEqualTo(ToneMoves.MOST);
        assertThat(tones(after("too dark", 1, lighter))).matches(t -> t.shadows() == 10 && t.brightness() == 8,
            "beside the moves that it has");
        assertThat(tones(after("too light", 0, ready())).brightness()).isEqualTo(-8);
    }

    @Test
    public void aCastOffersTheRightMediaTypeFirstThenWarmerAndCooler() {
        DocketSpec wrong = Dockets.set("media-type", "stationery-fine");
        List<Fix> fixes = VerdictAdvice.of("a cast", wrong, facts());
        assertThat(fixes).extracting(Fix::label).containsExactly("Set glossy photo paper", "Print it a little warmer",
            "Print it a little cooler");
        assertThat(VerdictAdvice.of("a cast", ready(), facts())).hasSize(2);
        Warmth cooler = (Warmth) after("a cast", 1, ready()).renditions().get(0).compensation().moves().get(0);
        assertThat(cooler.warmth()).isEqualTo(-2);
    }

    @Test
    public void bandsAndStrikesAreMetWithWhatThePrinterHas() {
        assertThat(VerdictAdvice.of("banding", Dockets.set("print-quality", "3"), facts())).extracting(Fix::label)
            .containsExactly("Quality: fine");
        assertThat(VerdictAdvice.of("banding", ready(), facts())).as("this printer has nothing more against bands").isEmpty();
        assertThat(VerdictAdvice.of("head strike", ready(), facts())).isEmpty();
        assertThat(after("head strike", 0, Dockets.set("media-top-margin", "300")).settings().get("media-top-margin")).isEmpty();
        assertThat(VerdictAdvice.of("matches", ready(), facts())).isEmpty();
    }
}
