package wistel.core.docket.spec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.offset;
import static wistel.core.docket.Dockets.GLOSS;
import static wistel.core.docket.Dockets.ready;
import static wistel.core.docket.Dockets.routed;

import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.RasterType;
import wistel.core.rendition.RenditionChange;

public class ColourPathTest {
    private static final IccProfile PAPER = MadeProfiles.printer();
    private static final double[] RUST = {0.64, 0.32, 0.14};

    private static double[] codes(ColourPath path, double... master) {
        return path.from(StandardSpaces.SRGB, TransformCompiler::compile).plain().orElseThrow().exact(master);
    }

    @DataProvider
    public Object[][] routes() {
        return new Object[][] {
            {new ColourRoute.ByWistel(Intent.RELATIVE, true), RasterType.Space.DEVICE, PAPER},
            {new ColourRoute.ByDriver(), RasterType.Space.SRGB, StandardSpaces.SRGB},
            {new ColourRoute.ByDriver(RasterType.Space.OPRGB), RasterType.Space.OPRGB, StandardSpaces.OPRGB},
            {new ColourRoute.DriverMonochrome(), RasterType.Space.GRAY, StandardSpaces.SGRAY},
        };
    }

    @Test(dataProvider = "routes")
    public void whatIsSentMeansWhatTheRouteSays(ColourRoute route, RasterType.Space space, IccProfile meant) {
        assertThat(ColourPath.toPrinter(routed(route), GLOSS, PAPER, RenditionChange.NONE, space).codes()).isSameAs(meant);
    }

    @Test(dataProvider = "routes")
    public void whatIsForeseenIsWhatIsSent(ColourRoute route, RasterType.Space space, IccProfile meant) {
        ColourPath sent = ColourPath.toPrinter(routed(route), GLOSS, PAPER, RenditionChange.NONE, space);
        ColourPath foreseen = ColourPath.toRaster(routed(route), GLOSS, PAPER, RenditionChange.NONE, space);
        assertThat(codes(foreseen, RUST)).containsExactly(codes(sent, RUST));
    }

    @DataProvider
    public Object[][] intents() {
        return new Object[][] {{Intent.PERCEPTUAL, true}, {Intent.RELATIVE, true}, {Intent.RELATIVE, false}, {Intent.ABSOLUTE, false}};
    }

    @Test(dataProvider = "intents")
    public void anUnchangedPictureIsConvertedAsTheRouteAsks(Intent intent, boolean blackPoint) {
        ColourPath path = ColourPath.toPrinter(routed(new ColourRoute.ByWistel(intent, blackPoint)), GLOSS, PAPER, RenditionChange.NONE,
            RasterType.Space.DEVICE);
        double[] plain = TransformCompiler.compile(new Recipe.Convert(StandardSpaces.SRGB, PAPER, intent, blackPoint, Observer.ADAPTED))
            .exact(RUST);
        assertThat(codes(path, RUST)).containsExactly(plain);
    }

    @Test
    public void theDriversMonochromeModeGetsNoColour() {
        double[] gray = codes(
            ColourPath.toPrinter(routed(new ColourRoute.DriverMonochrome()), GLOSS, PAPER, RenditionChange.NONE, RasterType.Space.SRGB),
            RUST);
        assertThat(gray[1]).isCloseTo(gray[0], offset(0.0005));
        assertThat(gray[2]).isCloseTo(gray[0], offset(0.0005));
        double[] colour = codes(
            ColourPath.toPrinter(routed(new ColourRoute.ByDriver()), GLOSS, PAPER, RenditionChange.NONE, RasterType.Space.SRGB), RUST);
        assertThat(colour[0] - colour[2]).isGreaterThan(0.3);
    }

    @Test
    public void aProofHasNoCodes() {
        ColourPath proof = ColourPath.toProof(ready().shownRoute(GLOSS), Optional.of(PAPER), RenditionChange.NONE, StandardSpaces.SRGB);
        assertThatThrownBy(proof::codes).isInstanceOf(IllegalStateException.class);
        assertThat(ColourPath.toProof(ready().shownRoute(GLOSS), Optional.empty(), RenditionChange.NONE, StandardSpaces.SRGB).codes())
            .isSameAs(StandardSpaces.SRGB);
    }
}
