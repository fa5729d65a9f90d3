package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wistel.core.fault.ProfileException;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.PcsEncoding;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Stage;

/**
 * Recipes to transforms: the chain is put together, simplified, and given a fast form. Pure: the same recipe gives the same transform.
 * Every method throws {@link ProfileException} when a profile is broken or has no way where it must go.
 */
public final class TransformCompiler {
    private TransformCompiler() {
    }

    public static Transform compile(Recipe recipe) {
        return compile(recipe, Kernels.best());
    }

    /**
     * @param family whose loops the fast form runs in, and is made with; all give the same codes
     */
    public static Transform compile(Recipe recipe, KernelFamily family) {
        if (recipe instanceof Recipe.Changed changed) {
            return compile(changed, () -> ChangedBaker.head(changed.meant(), family), family);
        }
        Chain chain = Chain.of(Recipe.Steps.coded(recipe));
        return new Transform(chain, recipe.from(), recipe.to(),
            () -> new Baker(chain, recipe.from(), recipe.to(), look(recipe), family).bake());
    }

    /**
     * The same, in a form that takes a tenth of the time to make and twice the time for each pixel: the profiles' own tables one after
     * another. Empty where the chain has another form.
     */
    static Optional<Transform> quick(Recipe recipe) {
        Chain chain = Chain.of(Recipe.Steps.coded(recipe));
        return TableByTable.of(chain.stages(), recipe.from().channels(), Kernels.best())
            .map(found -> new Transform(chain, recipe.from(), recipe.to(),
                () -> Baked.withoutGrid(found, "own tables, until a grid is made")));
    }

    /** @param head what {@link ChangedBaker#head} makes, which doesn't depend on the change */
    static Transform compile(Recipe.Changed recipe, Supplier<Kernel> head, KernelFamily family) {
        List<Stage> tail = new ArrayList<>(List.of(new Stage.LabToXyz()));
        tail.addAll(DeviceModel.fromXyz(recipe.destination(), recipe.intent()));
        return new Transform(Chain.of(recipe.stages()), recipe.from(), recipe.to(),
            () -> new ChangedBaker(head.get(), Chain.of(tail), family).bake(recipe.change()));
    }

    /** From coded results to L*a*b*. A profile that can't be looked at the other way is measured in codes. */
    private static Optional<Chain> look(Recipe recipe) {
        try {
            return recipe.look().map(stages -> {
                List<Stage> all = new ArrayList<>();
                PcsEncoding.ofSamples(recipe.to()).map(PcsEncoding::decode).ifPresent(all::add);
                all.addAll(stages);
                return Chain.of(all);
            });
        } catch (ProfileException e) {
            return Optional.empty();
        }
    }

    /** Source to destination device values. With the absolute intent black is never compensated (ISO 18619, 4.1). */
    public static Transform convert(IccProfile source, IccProfile destination, Intent intent, boolean blackPoint) {
        return compile(new Recipe.Convert(source, destination, intent, blackPoint, Observer.ADAPTED));
    }

    /** What the source means, as media-relative L*a*b*. */
    public static Transform toLab(IccProfile source) {
        return compile(new Recipe.DeviceToLab(source, false));
    }

    /** What would be measured of these device values on the device's medium, as absolute L*a*b*. */
    public static Transform toMeasuredLab(IccProfile device) {
        return compile(new Recipe.DeviceToLab(device, true));
    }

    /** Measured L*a*b* (a scan, a chart) for a display: paper white as it is. */
    public static Transform measuredLabToDisplay(IccProfile display) {
        return compile(new Recipe.FromLab(display, Intent.ABSOLUTE));
    }

    /** The picture as this printer would lay it down, as absolute L*a*b*, or relative to its paper. */
    public static Transform proofToLab(IccProfile source, IccProfile printer, Intent intent, boolean blackPoint, boolean absolute) {
        return compile(new Recipe.ProofToLab(source, printer, intent, blackPoint, absolute));
    }

    /** A device link's or an abstract profile's own table. */
    public static Transform link(IccProfile link) {
        return compile(new Recipe.Linked(link));
    }
}
