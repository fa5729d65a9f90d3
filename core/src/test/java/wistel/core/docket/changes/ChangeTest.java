package wistel.core.docket.changes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.docket.Dockets;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Resolution;
import wistel.core.docket.spec.Sharpening;
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
import wistel.core.sheet.Frame;
import wistel.core.sheet.Rect;

public class ChangeTest {
    /** Each change, the words that undo shows for it, and a part of the docket that it must change. */
    @DataProvider
    Object[][] changes() {
        return new Object[][] {
            {new SheetCommand.Stocked(Stock.Sheet.of(SheetSize.named("A3+").orElseThrow()), Optional.empty()), "sheet A3+", "A3+"},
            {new PieceCommand.Framed("i1", 200, 133.33), "picture 200 × 133.3 mm", "200"},
            {new SheetCommand.Turned(), "sheet turned", "across=false"},
            {new PieceCommand.Fitted("i1", Frame.Fit.FILL), "fill the frame", "FILL"},
            {new PieceCommand.Cropped("i1", 0.2, 0.9), "crop moved", "0.9"},
            {new SheetCommand.Bordered(new Borders.HeavierFoot()), "heavier foot", "HeavierFoot"},
            {new SheetCommand.Bordered(new Borders.Sides(10, 20, 30, 40)), "borders of 10, 20, 30 and 40 mm", "Sides[top=10.0, right=20.0"},
            {new SheetCommand.Laid(new Rect(10, 20, 180, 120)), "picture 180 × 120 mm, 10 from the left, 20 from above",
                "Sides[top=20.0, right=107.0, bottom=70.0, left=10.0]"},
            {new SheetCommand.Stocked(new Stock.Roll(431.8), Optional.of("main-roll")), "roll of 17 in", "Roll[widthMm=431.8]"},
            {new PieceCommand.Trimmed("i1", new Cut(0.1, 0, 0.5, 1, 0)), "crop", "Cut[x=0.1"},
            {new PieceCommand.Trimmed("i1", new Cut(0.2, 0.2, 0.6, 0.6, -2.5)), "crop, straightened by -2.5°", "degrees=-2.5"},
            {new PieceCommand.Filled("i1", 277, 190), "fill the frame", "fit=FILL"},
            {new SheetCommand.Edged(new Edge(true, 2, 0)), "borderless", "overMm=2.0"},
            {new SheetCommand.Edged(new Edge(false, 0, 3)), "mirrored bleed of 3 mm", "bleedMm=3.0"},
            {new PieceCommand.Annotated("i1", new Annotation(new Caption(true, false, 25, true, 9), 0.2, 3, true)),
                "what is written and drawn round the picture", "edition=25"},
            {new MachineCommand.Sharpened(Sharpening.STANDARD), "standard sharpening", "STANDARD"},
            {new MachineCommand.Resolved(new Resolution(Resolution.Pixels.RESAMPLE, 240, 0)), "resample to 240 ppi", "240"},
            {new MachineCommand.Routed(new ColourRoute.ByDriver()), "the driver converts", "ByDriver"},
            {new MachineCommand.Routed(new ColourRoute.ByWistel(Intent.PERCEPTUAL, true)), "perceptual, black compensated", "PERCEPTUAL"},
            {new MachineCommand.Set(DriverSettings.MEDIA_TYPE, "photographic-satin"), "satin photo paper", "photographic-satin"},
            {new MachineCommand.Set(DriverSettings.QUALITY, "3"), "quick quality", "print-quality=3"},
            {new MachineCommand.Set(DriverSettings.FEED, "rear"), "rear feed", "rear"},
            {new DocketCommand.Copies(4), "4 copies", "copies=4"}, {new DocketCommand.Titled(" Low tide "), "title", "title=Low tide,"},
            {new DocketCommand.Noted("x"), "notes", "notes=x"},
            {new PictureCommand.Treated("r1", Treatment.Monochrome.NEUTRAL), "monochrome", "treatment=Monochrome"},
            {new PictureCommand.Compensates("r1", new Compensated(List.of(new Warmth(2, 0)), Optional.empty(), true)), "warmer by 2",
                "Warmth[warmth=2.0"},
            {new PictureCommand.ProfileConfirmed("r1"), "how the picture is read", "profileConfirmed=true"},
            {new Change.Paired(Dockets.GLOSS), "paper Some Gloss", "pairingId=Optional[g]"}};
    }

    @Test(dataProvider = "changes")
    public void everyChangeHasWordsAndDoesWhatTheySay(Change change, String words, String part) {
        DocketSpec before = Dockets.ready();
        assertThat(change.words()).isEqualTo(words);
        assertThat(change.on(before).toString()).contains(part);
        assertThat(change.on(change.on(before))).as("done twice it is the same, but for turning").satisfies(twice -> {
            if (!(change instanceof SheetCommand.Turned)) {
                assertThat(twice).isEqualTo(change.on(before));
            }
        });
    }

    @DataProvider
    Object[][] impossible() {
        return new Object[][] {{new PieceCommand.Framed("i1", 2, 300)}, {new PieceCommand.Framed("i1", Double.NaN, 300)},
            {new PieceCommand.Cropped("i1", 1.5, 0)}, {new PieceCommand.Fitted("nobody", Frame.Fit.FILL)}, {new DocketCommand.Copies(0)},
            {new DocketCommand.Copies(100)},
            {new DocketCommand.Titled("x".repeat(201))}, {new DocketCommand.Noted("x".repeat(4001))},
            {new PictureCommand.ProfileConfirmed("nobody")}, {new MachineCommand.Set("print-quality", "best")},
            {new MachineCommand.Set("x".repeat(300), "1")}};
    }

    @Test(dataProvider = "impossible")
    public void whatCantBeIsRefusedInWordsWhenItIsMade(Change change) {
        assertThatThrownBy(() -> change.on(Dockets.ready())).isInstanceOfSatisfying(InvalidRequest.class,
            e -> assertThat(e.next()).isNotBlank());
    }

    @Test
    public void recordsRefuseWhatCantBe() {
        assertThatThrownBy(() -> new Stock.Sheet("wide", 300, 200)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Resolution(Resolution.Pixels.RESAMPLE, 5, 0)).isInstanceOf(InvalidRequest.class);
        assertThat(new DriverSettings(Map.of()).quality()).isEqualTo(5);
    }

    @Test
    public void anEmptyTitleBecomesUntitled() {
        assertThat(new DocketCommand.Titled("  ").on(Dockets.ready()).title()).isEqualTo("Untitled");
    }
}
