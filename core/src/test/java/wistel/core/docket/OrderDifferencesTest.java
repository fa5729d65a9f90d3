package wistel.core.docket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Sharpening;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.LocalChange;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Warmth;

/** What a person did otherwise between two prints. */
public class OrderDifferencesTest {
    private static PrintOrder order(DocketSpec d) {
        return PrintOrder.freeze(d, Dockets.facts(), List.of(new PrintOrder.Master("r1", "master", "profile")), "printer");
    }

    private static List<String> between(DocketSpec earlier, DocketSpec later) {
        return OrderDifferences.between(order(earlier), order(later), Dockets.PRINTER);
    }

    @Test
    public void theSameTwiceHasNoDifference() {
        assertThat(between(Dockets.ready(), Dockets.ready())).isEmpty();
    }

    @Test
    public void everythingThatWasDecidedOtherwiseIsTold() {
        DocketSpec before = Dockets.ready();
        DocketSpec after = before.with(before.single().framed(120, 80)).withSharpening(Sharpening.LIGHT)
            .withRoute(new ColourRoute.ByWistel(Intent.PERCEPTUAL, false)).withSettings(before.settings().with("print-quality", "4"))
            .withRendition(before.renditions().get(0)
                .compensated(new Compensated(List.of(new Warmth(2, 0)), Optional.empty(), true)).of("newer")
                .locally(List.of(new LocalMove.Edges(0.5, 0.5, 0.5, new LocalChange(-8, 0, 0, 0), true))))
            .withCopies(2);
        assertThat(between(before, after)).anyMatch(d -> d.startsWith("laid as: ") && d.contains("then 120 × 80 mm"))
            .contains("copies: 1, then 2", "the picture's file was another one", "compensation: no compensation, then warmer by 2",
                "locally: nothing, then edges darker by 8",
                "colour: relative colorimetric, black compensated, then perceptual, black as it falls", "sharpening: off, then light")
            .anyMatch(d -> d.contains("quality") && d.contains(", then "));
    }
}
