package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.SheetPlan.PixelSize;

public class GangTest {
    private static final Margins MARGINS = new Margins(3, 3, 14, 3);
    private static final Stock A4 = new Stock.Sheet("A4", 210, 297);
    private static final Item WIDE = Item.whole("wide", "r1", 90, 60);
    private static final Item SQUARE = Item.whole("square", "r2", 50, 50).framed(Frame.whole(50, 50).fitted(Frame.Fit.FILL));
    private static final Map<String, PixelSize> PICTURES = Map.of("r1", new PixelSize(3000, 2000), "r2", new PixelSize(3000, 2000));

    private static LayoutInput input(Stock stock, int copies, Item... items) {
        Map<String, Item> byId = Stream.of(items).distinct().collect(Collectors.toMap(Item::id, i -> i));
        return new LayoutInput(stock, MARGINS, PICTURES, byId, Map.of(items[0].id(), new CaptionText("Fells", "", 4)), copies);
    }

    private static Gang.Spot at(Item item, int page, double x, double y) {
        return new Gang.Spot(item.id(), page, x, y, false);
    }

    @Test
    public void piecesLieWhereTheyWereLaidAndTurnedOnesByAQuarter() {
        Gang gang = Gang.byHand(false, List.of(at(WIDE, 1, 10, 20), at(SQUARE, 1, 110, 20), new Gang.Spot("wide", 1, 10, 100, true)));
        Layout layout = gang.lay(input(A4, 1, WIDE, SQUARE));
        List<Placed> placed = layout.pages().get(0).placed();
        assertThat(placed).extracting(Placed::id).containsExactly("wide", "square", "wide.2");
        assertThat(placed).extracting(Placed::renditionId).containsExactly("r1", "r2", "r1");
        assertThat(placed.get(0).atMm()).isEqualTo(new Rect(10, 20, 90, 60));
        assertThat(placed.get(2).atMm()).isEqualTo(new Rect(10, 100, 60, 90));
        assertThat(placed.get(2).orientation()).isEqualTo(Orientation.QUARTER_RIGHT);
        assertThat(placed.get(2).ppi()).as("turned it is as fine as upright").isCloseTo(placed.get(0).ppi(), within(1e-9));
        assertThat(layout.bareMm2()).isCloseTo(210 * 297 - 2 * 90 * 60 - 50 * 50, within(1e-6));
    }

    /** Half of a turned picture lies beside the page: what is on it is the half that is turned there. */
    @Test
    public void ofATurnedPictureThePartOnThePageIsTold() {
        Layout layout = Gang.byHand(false, List.of(new Gang.Spot("wide", 1, 180, 100, true))).lay(input(A4, 1, WIDE, WIDE));
        Placed shown = layout.printed("r1").get(0);
        assertThat(shown.atMm()).isEqualTo(new Rect(180, 100, 30, 90));
        // turned to the right, the picture's foot lies left: the left half of what is laid is its lower one
        assertThat(shown.crop().y()).isCloseTo(1000, within(1e-9));
        assertThat(shown.crop().height()).isCloseTo(1000, within(1e-9));
        assertThat(shown.crop().width()).isCloseTo(3000, within(1e-9));
    }

    @Test
    public void aFilledFrameIsToldToLoseWhatIsOutsideOfItOnceHoweverOftenItIsLaid() {
        Layout layout = Gang.byHand(false, List.of(at(SQUARE, 1, 10, 10), at(SQUARE, 1, 70, 10))).lay(input(A4, 1, SQUARE, SQUARE));
        assertThat(layout.losses()).hasSize(1);
        assertThat(layout.losses().get(0).share()).isCloseTo(1 / 3.0, within(1e-9));
    }

    @Test
    public void aRollIsCutBehindTheLastPiece() {
        Layout layout = Gang.byHand(false, List.of(at(WIDE, 1, 10, 20), at(SQUARE, 1, 110, 200)))
            .lay(input(new Stock.Roll(431.8), 1, WIDE, SQUARE));
        assertThat(layout.usedLengthMm()).isCloseTo(200 + 50 + 15, within(1e-9));
        Layout across = Gang.byHand(true, List.of(at(WIDE, 1, 10, 20))).lay(input(new Stock.Roll(431.8), 1, WIDE, WIDE));
        assertThat(across.pages().get(0).widthMm()).isCloseTo(100 + 15, within(1e-9));
        assertThat(across.pages().get(0).fedWidthMm()).isCloseTo(431.8, within(1e-9));
    }

    /** Two of a piece on each page, on two pages, three copies: twelve numbers from the next one on. */
    @Test
    public void numbersGoOnOverPagesAndCopies() {
        Item numbered = WIDE.annotated(new Annotation(new Caption(false, false, 25, false, 9), 0, 0, false));
        Gang gang = Gang.byHand(false, List.of(at(WIDE, 1, 10, 10), at(WIDE, 1, 10, 110), at(WIDE, 2, 10, 10), at(WIDE, 2, 10, 110)));
        Layout layout = gang.lay(input(A4, 3, numbered, numbered));
        List<String> said = layout.pages().stream().flatMap(p -> p.marks().stream()).map(m -> ((Mark.Text) m).words()).toList();
        assertThat(said).containsExactly("4 of 25", "5 of 25", "6 of 25", "7 of 25", "8 of 25", "9 of 25", "10 of 25", "11 of 25",
            "12 of 25", "13 of 25", "14 of 25", "15 of 25");
        assertThat(layout.pages().get(2).placed()).as("a copy is named as what it repeats").isEqualTo(layout.pages().get(0).placed());
        assertThat(gang.lay(input(A4, 3, WIDE, WIDE)).pages()).as("the printer repeats what bears no number").hasSize(2);
    }

    @Test
    public void whatCantBeIsRefusedInWords() {
        assertThatThrownBy(() -> new Gang(false, Arrangement.USUAL, List.of(), List.of())).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Gang.Spot("i", 0, 0, 0, false)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Gang.Spot("i", 1, Double.NaN, 0, false)).isInstanceOf(InvalidRequest.class);
    }
}
