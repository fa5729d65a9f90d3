package wistel.core.docket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.Optional;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Treatment;
import wistel.core.rendition.Warmth;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Caption;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Single;

public class ChangeTest {
    /** Each change, the words that undo shows for it, and a part of the docket that it must change. */
    @DataProvider
    Object[][] changes() {
        return new Object[][] {
            {new Change.Stocked(Stock.Sheet.of(SheetSize.named("A3+").orElseThrow()), Optional.empty()), "sheet A3+", "A3+"}, {new Change.Framed(200, 133.33), "picture 200 × 133.3 mm", "200"},
            {new Change.Turned(), "sheet turned", "across=false"}, {new Change.Fitted(Single.Fit.FILL), "fill the frame", "FILL"},
            {new Change.Cropped(0.2, 0.9), "crop moved", "0.9"}, {new Change.Bordered(new Borders.HeavierFoot()), "heavier foot", "HeavierFoot"},
            {new Change.Bordered(new Borders.Sides(10, 20, 30, 40)), "borders of 10, 20, 30 and 40 mm", "Sides[top=10.0, right=20.0"},
            {new Change.Laid(new Rect(10, 20, 180, 120)), "picture 180 × 120 mm, 10 from the left, 20 from above", "Sides[top=20.0, right=107.0, bottom=70.0, left=10.0]"},
            {new Change.Stocked(new Stock.Roll(431.8), Optional.of("main-roll")), "roll of 17 in", "Roll[widthMm=431.8]"},
            {new Change.Trimmed(new Cut(0.1, 0, 0.5, 1, 0)), "crop", "Cut[x=0.1"}, {new Change.Trimmed(new Cut(0.2, 0.2, 0.6, 0.6, -2.5)), "crop, straightened by -2.5°", "degrees=-2.5"},
            {new Change.Filled(277, 190), "fill the frame", "fit=FILL"},
            {new Change.Edged(new Edge(true, 2, 0)), "borderless", "overMm=2.0"}, {new Change.Edged(new Edge(false, 0, 3)), "mirrored bleed of 3 mm", "bleedMm=3.0"},
            {new Change.Annotated(new Annotation(new Caption(true, false, 25, true, 9), 0.2, 3, true)), "what is written and drawn round the picture", "edition=25"},
            {new Change.Sharpened(Sharpening.STANDARD), "standard sharpening", "STANDARD"},
            {new Change.Resolved(new Resolution(Resolution.Pixels.RESAMPLE, 240, 0)), "resample to 240 ppi", "240"},
            {new Change.Routed(new ColourRoute.ByDriver()), "the driver converts", "ByDriver"},
            {new Change.Routed(new ColourRoute.ByWistel(Intent.PERCEPTUAL, true)), "perceptual, black compensated", "PERCEPTUAL"},
            {new Change.Set(DriverSettings.MEDIA_TYPE, "photographic-satin"), "satin photo paper", "photographic-satin"},
            {new Change.Set(DriverSettings.QUALITY, "3"), "quick quality", "print-quality=3"}, {new Change.Set(DriverSettings.FEED, "rear"), "rear feed", "rear"},
            {new Change.Copies(4), "4 copies", "copies=4"}, {new Change.Titled(" Low tide "), "title", "title=Low tide,"}, {new Change.Noted("x"), "notes", "notes=x"},
            {new Change.Treated("r1", Treatment.Monochrome.NEUTRAL), "monochrome", "treatment=Monochrome"},
            {new Change.Compensates("r1", new Compensated(List.of(new Warmth(2, 0)), Optional.empty(), true)), "warmer by 2", "Warmth[warmth=2.0"},
            {new Change.ProfileConfirmed("r1"), "how the picture is read", "profileConfirmed=true"}, {new Change.Paired(Dockets.GLOSS), "paper Some Gloss", "pairingId=Optional[g]"}};
    }

    @Test(dataProvider = "changes")
    public void everyChangeHasWordsAndDoesWhatTheySay(Change change, String words, String part) {
        DocketSpec before = Dockets.ready();
        assertThat(change.words()).isEqualTo(words);
        assertThat(change.on(before).toString()).contains(part);
        assertThat(change.on(change.on(before))).as("done twice it is the same, but for turning").satisfies(twice -> {
            if (!(change instanceof Change.Turned)) {
                assertThat(twice).isEqualTo(change.on(before));
            }
        });
    }

    @DataProvider
    Object[][] impossible() {
        return new Object[][] {{new Change.Framed(2, 300)}, {new Change.Framed(Double.NaN, 300)}, {new Change.Cropped(1.5, 0)}, {new Change.Copies(0)}, {new Change.Copies(100)},
            {new Change.Titled("x".repeat(201))}, {new Change.Noted("x".repeat(4001))}, {new Change.ProfileConfirmed("nobody")}, {new Change.Set("print-quality", "best")},
            {new Change.Set("x".repeat(300), "1")}};
    }

    @Test(dataProvider = "impossible")
    public void whatCantBeIsRefusedInWordsWhenItIsMade(Change change) {
        assertThatThrownBy(() -> change.on(Dockets.ready())).isInstanceOfSatisfying(InvalidRequest.class, e -> assertThat(e.next()).isNotBlank());
    }

    @Test
    public void recordsRefuseWhatCantBe() {
        assertThatThrownBy(() -> new Stock.Sheet("wide", 300, 200)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Resolution(Resolution.Pixels.RESAMPLE, 5, 0)).isInstanceOf(InvalidRequest.class);
        assertThat(new DriverSettings(Map.of()).quality()).isEqualTo(5);
    }

    @Test
    public void anEmptyTitleBecomesUntitled() {
        assertThat(new Change.Titled("  ").on(Dockets.ready()).title()).isEqualTo("Untitled");
    }
}
