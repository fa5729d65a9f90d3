package wistel.core.rendition;

import java.util.function.Function;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * A rendition's way from a master's codes into {@link #WORKING}: a small table, made anew for every step of a slider. What follows it, from
 * WORKING to a paper, is compiled once for each pairing and never touched by a move.
 */
public final class RenditionCompiler {
    /**
     * In 16 bit it gives back what any profile on hand encodes within CIEDE2000 0.05; white is D50 and black is 0, as in the connection
     * space.
     */
    public static final IccProfile WORKING = StandardSpaces.CONNECTION;

    private RenditionCompiler() {
    }

    /**
     * @param intent     through which the docket converts: what the source's own tables mean may depend on it
     * @param blackPoint the source's black becomes WORKING's
     */
    public static Recipe.Changed recipe(IccProfile source, RenditionChange rendering, Intent intent, boolean blackPoint) {
        return new Recipe.Changed(source, rendering, WORKING, intent, blackPoint);
    }

    /**
     * A master's codes through a rendition to where a recipe leads.
     *
     * @param onward  from a source profile: the master's own where nothing is changed, {@link #WORKING} otherwise
     * @param compile makes or finds transforms
     */
    public static Transform through(IccProfile source, RenditionChange change, ConversionOptions route, Function<IccProfile, Recipe> onward,
        Function<Recipe, Transform> compile) {
        return change.changesNothing() ? compile.apply(onward.apply(source))
            : compile.apply(recipe(source, change, route.intent, route.blackPoint)).then(compile.apply(onward.apply(WORKING)));
    }

    /** The same with the change's local moves, if it has any: onward from WORKING then. */
    public static PlacedTransform placed(IccProfile source, RenditionChange change, ConversionOptions route,
        Function<IccProfile, Recipe> onward, Function<Recipe, Transform> compile) {
        if (change.local().isEmpty()) {
            return PlacedTransform.everywhere(through(source, change, route, onward, compile));
        }
        return PlacedTransform.of(toWorking(source, change, route, compile), LocalSteps.of(change, route, compile),
            through(WORKING, change.afterLocal(), route, onward, compile));
    }

    /** A picture's change with its local moves, and how its sides are moved once more. */
    public static PlacedTransform placed(IccProfile source, SidedChange sided, ConversionOptions route,
        Function<IccProfile, Recipe> onward, Function<Recipe, Transform> compile) {
        RenditionChange change = sided.picture;
        if (change.local().isEmpty()) {
            return PlacedTransform.everywhere(through(source, sided, route, onward, compile));
        }
        return PlacedTransform.of(toWorking(source, change, route, compile), LocalSteps.of(change, route, compile),
            through(WORKING, new SidedChange(change.afterLocal(), sided.sides), route, onward, compile));
    }

    /** A picture's codes to WORKING, all that acts before its local moves done. */
    public static Transform toWorking(IccProfile source, RenditionChange change, ConversionOptions route,
        Function<Recipe, Transform> compile) {
        return compile.apply(recipe(source, change.beforeLocal(), route.intent, route.blackPoint));
    }

    /** A picture's change, and how its sides are moved once more. */
    public record SidedChange(RenditionChange picture, SideChange sides) {
    }

    /** The same for a picture's sides. */
    public static Transform through(IccProfile source, SidedChange sided, ConversionOptions route, Function<IccProfile, Recipe> onward,
        Function<Recipe, Transform> compile) {
        RenditionChange change = sided.picture;
        IccProfile from = change.changesNothing() ? source : WORKING;
        Transform moved = compile.apply(new Recipe.Changed(from, sided.sides, WORKING, route.intent, route.blackPoint));
        Transform all = change.changesNothing() ? moved : compile.apply(recipe(source, change, route.intent, route.blackPoint)).then(moved);
        return all.then(compile.apply(onward.apply(WORKING)));
    }

    /** How colours are converted after it; what a source's own tables and black mean depends on that. */
    public record ConversionOptions(Intent intent, boolean blackPoint) {
    }

    public static Transform toWorking(IccProfile source, RenditionChange rendering, Intent intent, boolean blackPoint,
        KernelFamily family) {
        return TransformCompiler.compile(recipe(source, rendering, intent, blackPoint), family);
    }
}
