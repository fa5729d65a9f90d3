package wistel.core.docket.spec;

import java.util.Optional;
import java.util.function.Function;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.ProofView;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.SideMoves;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.RasterType;
import wistel.core.rendition.LocalSteps;
import wistel.core.rendition.PlacedTransform;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.SideChange;

/**
 * The way of a rendition's colours from its master's codes: to what a printer is sent, to a file for a lab, or to a proof on a display.
 * Rendering, the laid-down sheet, the loupe and lab files all ask this, so that they can't differ in it.
 *
 * @param change what the rendition does before conversion
 * @param shown  intent and black point through which the docket converts, or would, where the driver does
 * @param to     where it leads
 */
public record ColourPath(RenditionChange change, ColourRoute.ByWistel shown, To to) {
    /** The last step of a way. */
    public sealed interface To {
        /** From a source profile: the master's own where nothing is changed before, the connection space otherwise. */
        Recipe from(IccProfile source);
    }

    /** Codes of a space. */
    public record Codes(IccProfile space, Intent intent, boolean blackPoint) implements To {
        @Override
        public Recipe from(IccProfile source) {
            return new Recipe.Convert(source, space, intent, blackPoint, Observer.ADAPTED);
        }
    }

    /** A paper as a display shows it. */
    public record Proof(IccProfile paper, Intent intent, boolean blackPoint, ProofView view, IccProfile display) implements To {
        @Override
        public Recipe from(IccProfile source) {
            return new Recipe.Proof(source, paper, intent, blackPoint, view, display);
        }
    }

    /**
     * To what a printer is sent.
     *
     * @param paper the pairing's profile
     * @param space of the raster; the driver's monochrome mode gets neutral pictures
     */
    public static ColourPath toPrinter(DocketSpec d, PairingVersion pairing, IccProfile paper, RenditionChange change,
        RasterType.Space space) {
        boolean own = d.route() instanceof ColourRoute.ByWistel || d.route() instanceof ColourRoute.DriverMonochrome && pairing.grayOnly();
        return sent(d, pairing, change, own ? Optional.of(paper) : Optional.empty(), space);
    }

    /**
     * To numbers of a raster as they are foreseen, whoever was meant to convert: the paper's own, or those of the space that it is tagged
     * with.
     */
    public static ColourPath toRaster(DocketSpec d, PairingVersion pairing, IccProfile paper, RenditionChange change,
        RasterType.Space space) {
        boolean own = space == RasterType.Space.DEVICE || space == RasterType.Space.GRAY && pairing.grayOnly();
        return sent(d, pairing, change, own ? Optional.of(paper) : Optional.empty(), space);
    }

    /** @param paper the profile that Wistel converts through; empty where the driver converts */
    private static ColourPath sent(DocketSpec d, PairingVersion pairing, RenditionChange change, Optional<IccProfile> paper,
        RasterType.Space space) {
        ColourRoute.ByWistel shown = d.shownRoute(pairing);
        return new ColourPath(d.route() instanceof ColourRoute.DriverMonochrome ? change.toDriverGray() : change, shown,
            paper.map(own -> new Codes(own, shown.intent(), shown.blackPoint()))
                .orElseGet(() -> new Codes(tagged(space), Intent.RELATIVE, false)));
    }

    /**
     * To a file for a lab: for the paper itself, or in a standard space that the lab converts once more, which gets what the picture is.
     */
    public static ColourPath toLabFile(DocketSpec d, PairingVersion pairing, IccProfile paper, RenditionChange change, LabFile file) {
        ColourRoute.ByWistel shown = d.shownRoute(pairing);
        return new ColourPath(change, shown, switch (file.space()) {
            case PAPER -> new Codes(paper, shown.intent(), shown.blackPoint());
            case SRGB -> new Codes(StandardSpaces.SRGB, Intent.RELATIVE, true);
            case WIDE -> new Codes(StandardSpaces.WIDE_RGB, Intent.RELATIVE, true);
        });
    }

    /** To the display as the proof shows the paper, or without a paper as the picture is. */
    public static ColourPath toProof(ColourRoute.ByWistel shown, Optional<IccProfile> paper, RenditionChange change, IccProfile display) {
        return new ColourPath(change, shown,
            paper.<To>map(p -> new Proof(p, shown.intent(), shown.blackPoint(), ProofView.PAPER_WHITE, display))
                .orElseGet(() -> new Codes(display, Intent.RELATIVE, true)));
    }

    /** What a driver that converts is told that the numbers are. */
    public static IccProfile tagged(RasterType.Space space) {
        return switch (space) {
            case OPRGB -> StandardSpaces.OPRGB;
            case GRAY -> StandardSpaces.SGRAY;
            default -> StandardSpaces.SRGB;
        };
    }

    /**
     * The profile that says what the codes at its end mean.
     *
     * @throws IllegalStateException of a proof: those are a display's
     */
    public IccProfile codes() {
        if (to instanceof Codes codes) {
            return codes.space;
        }
        throw new IllegalStateException("a proof has no codes of its own");
    }

    /** @param compile makes or finds transforms */
    public PlacedTransform from(IccProfile master, Function<Recipe, Transform> compile) {
        return RenditionCompiler.placed(master, change, onward(), to::from, compile);
    }

    /** To WORKING, where marks of one's own are laid over the picture: all done that acts before those. */
    public PlacedTransform toWorking(IccProfile master, Function<Recipe, Transform> compile) {
        return PlacedTransform.toWorking(RenditionCompiler.toWorking(master, change, onward(), compile),
            LocalSteps.of(change, onward(), compile));
    }

    /** From WORKING on, after {@link #toWorking}. */
    public Transform onward(Function<Recipe, Transform> compile) {
        return RenditionCompiler.through(RenditionCompiler.WORKING, change.afterLocal(), onward(), to::from, compile);
    }

    /** The same of what is made round a picture, whose colours are moved once more. */
    public PlacedTransform from(IccProfile master, SideMoves sides, Function<Recipe, Transform> compile) {
        return sides.leavesColours() ? from(master, compile)
            : RenditionCompiler.placed(master, new RenditionCompiler.SidedChange(change, SideChange.of(sides, change.tonesOf())), onward(),
                to::from,
                compile);
    }

    private RenditionCompiler.ConversionOptions onward() {
        return new RenditionCompiler.ConversionOptions(shown.intent(), shown.blackPoint());
    }
}
