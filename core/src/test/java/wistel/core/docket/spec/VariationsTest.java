package wistel.core.docket.spec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.docket.Dockets;
import wistel.core.docket.changes.StripChange;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.ChromaMoves;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.ToneMoves;
import wistel.core.rendition.Warmth;
import wistel.core.sheet.Delta;
import wistel.core.sheet.Variation;
import wistel.core.sheet.Varied;

/** What a strip's pieces are made of the docket, and what a docket takes over from one. */
public class VariationsTest {
    private static final Compensation KEPT = new Compensation("c", 2, "Open", List.of(new Warmth(3, 0)));

    private static DocketSpec docket(Compensated compensated) {
        DocketSpec d = Dockets.ready();
        return d.withHeading(new DocketSpec.Heading("Strip", "", new Purpose.StripOf("d", "r1", List.of(KEPT))))
            .withRendition(d.renditions().get(0).compensated(compensated));
    }

    private static final DocketSpec MOVED = docket(new Compensated(
        List.of(new ToneMoves(5, 0, 0, -10, 4, 40), new Warmth(2, -1), ChromaMoves.all(1.1)), Optional.empty(), true));

    private static DocketSpec varied(DocketSpec d, Delta... deltas) {
        return Variations.varied(d, "r1", new Variation(List.of(deltas)));
    }

    @DataProvider
    Object[][] sliders() {
        return new Object[][] {{Varied.LIGHTNESS, 4.0}, {Varied.CONTRAST, -10.0}, {Varied.SHADOWS, 5.0}, {Varied.WARMTH, 2.0},
            {Varied.TINT, -1.0}, {Varied.CHROMA, 10.0}};
    }

    /** From where it stands, all others left as they are. */
    @Test(dataProvider = "sliders")
    public void aSliderIsMovedFromWhereItStands(Varied what, double stands) {
        Rendition before = MOVED.rendition("r1");
        assertThat(Variations.standing(before, what)).isCloseTo(stands, within(1e-9));
        Rendition after = varied(MOVED, new Delta.Shift(what, 3)).rendition("r1");
        for (Varied each : Varied.values()) {
            if (each.slides()) {
                assertThat(Variations.standing(after, each)).isCloseTo(Variations.standing(before, each) + (each == what ? 3 : 0),
                    within(1e-9));
            }
        }
    }

    @Test
    public void whatIsChosenComesBeforeWhatIsMoved() {
        Rendition r = varied(MOVED, new Delta.Shift(Varied.WARMTH, 1), new Delta.Instead(Varied.COMPENSATION, "c 2", "Open, version 2"))
            .rendition("r1");
        assertThat(r.compensation().moves()).containsExactly(new Warmth(4, 0));
        Rendition without = varied(MOVED, new Delta.Instead(Varied.COMPENSATION, Variations.WITHOUT, "without")).rendition("r1");
        assertThat(without.change().changesNothing()).isTrue();
        assertThat(without.compensation().moves()).hasSize(3);
    }

    @Test
    public void theWayOfTheColourAndSharpeningAreThePiecesOwn() {
        DocketSpec d = varied(MOVED, new Delta.Instead(Varied.INTENT, "PERCEPTUAL", "perceptual"),
            new Delta.Instead(Varied.BLACK_POINT, "false", "black as it falls"),
            new Delta.Instead(Varied.SHARPENING, "STRONG", "strong sharpening"));
        assertThat(d.route()).isEqualTo(new ColourRoute.ByWistel(Intent.PERCEPTUAL, false));
        assertThat(d.sharpening()).isEqualTo(Sharpening.STRONG);
        assertThatThrownBy(() -> varied(MOVED, new Delta.Instead(Varied.INTENT, "LOUD", "loud"))).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> varied(MOVED, new Delta.Instead(Varied.COMPENSATION, "x 1", "x"))).isInstanceOf(InvalidRequest.class);
    }

    /** Beyond a slider's end there is nothing: the piece stays at the end. */
    @Test
    public void aSliderEndsWhereItEnds() {
        DocketSpec d = varied(varied(MOVED, new Delta.Shift(Varied.WARMTH, 8)), new Delta.Shift(Varied.WARMTH, 8));
        assertThat(Variations.standing(d.rendition("r1"), Varied.WARMTH)).isEqualTo(Warmth.MOST);
    }

    /** Its own picture file, size and paper stay; how it is printed becomes the piece's. */
    @Test
    public void aDocketTakesOverWhatThePieceIsAndNothingElse() {
        DocketSpec origin = Dockets.framed(240, 160).withTitle("Origin").withRendition(
            Dockets.ready().renditions().get(0).of("newer").confirmed());
        DocketSpec piece = varied(MOVED, new Delta.Shift(Varied.LIGHTNESS, 10),
            new Delta.Instead(Varied.SHARPENING, "LIGHT", "light sharpening"));
        DocketSpec like = new StripChange.LikePiece(piece, "r1", Map.of("print-quality", "4"), "lightness +10").on(origin);
        assertThat(like.rendition("r1").masterHash()).isEqualTo("newer");
        assertThat(like.rendition("r1").change()).isEqualTo(piece.rendition("r1").change());
        assertThat(like.sharpening()).isEqualTo(Sharpening.LIGHT);
        assertThat(like.settings().quality()).isEqualTo(4);
        assertThat(like.plan()).isEqualTo(origin.plan());
        assertThat(like.title()).isEqualTo("Origin");
    }
}
