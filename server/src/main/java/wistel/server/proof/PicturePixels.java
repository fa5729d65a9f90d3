package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.function.Function;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCache;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.View;
import wistel.core.render.StampLayer;
import wistel.core.rendition.LocalSteps;
import wistel.core.rendition.PicturePlaces;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.sheet.Placed;
import wistel.server.master.Master;
import wistel.server.master.PreviewStore;

/** Views of pictures, and of the parts of them that are printed, with their local moves done: what proofs and figures start from. */
final class PicturePixels {
    private static final int KEPT_BYTES = 24 << 20;
    /** Of a view that parts are cut from. */
    private static final int LARGE_ENOUGH = 1200;

    private final PreviewStore previews;
    private final TransformCache transforms;
    private final Cache<Led, char[]> kept = Caffeine.newBuilder().executor(Runnable::run).maximumWeight(KEPT_BYTES)
        .weigher((Led led, char[] codes) -> 2 * codes.length).build();

    PicturePixels(PreviewStore previews, TransformCache transforms) {
        this.previews = previews;
        this.transforms = transforms;
    }

    /** Codes of a picture, the profile that says what they mean, and what is still to happen to their colours. */
    record Pixels(View view, IccProfile source, RenditionChange rest) {
    }

    /** A view led through a transform. Kept while a place is dragged: then only rows that it reaches are done anew. */
    private record Led(View view, Transform by) {
        private char[] codes() {
            return by.apply(view.pixels());
        }
    }

    /** With its local moves done. */
    Pixels pixels(RenditionView seen, View view, PicturePlaces places, RenditionCompiler.ConversionOptions onward,
        Function<Recipe, Transform> compile) {
        if (seen.change().local().isEmpty()) {
            return new Pixels(view, previews.profile(seen.master()), seen.change());
        }
        View working = copy(unmoved(seen, view, onward, compile));
        LocalSteps.of(seen.change(), onward, compile).apply(working, places);
        return new Pixels(working, RenditionCompiler.WORKING, seen.change().afterLocal());
    }

    /** In WORKING, before its local moves. */
    private View unmoved(RenditionView seen, View view, RenditionCompiler.ConversionOptions onward, Function<Recipe, Transform> compile) {
        Transform toWorking = RenditionCompiler.toWorking(previews.profile(seen.master()), seen.change(), onward, compile);
        return new View(view.width(), view.height(), toWorking.outputs(), kept.get(new Led(view, toWorking), Led::codes));
    }

    private static View copy(View view) {
        return new View(view.width(), view.height(), view.channels(), view.pixels().clone());
    }

    /**
     * A view led on to a proof or a display. While a place is dragged only rows that it reaches are led on anew.
     *
     * @param compile makes or finds transforms
     */
    char[] ledOn(RenditionView seen, View view, PicturePlaces places, RenditionCompiler.ConversionOptions onward,
        Function<IccProfile, Recipe> recipe, Function<Recipe, Transform> compile) {
        RenditionChange change = seen.change();
        if (change.local().isEmpty() && seen.stamps().isEmpty()) {
            return RenditionCompiler.through(previews.profile(seen.master()), change, onward, recipe, compile).apply(view.pixels());
        }
        View before = unmoved(seen, view, onward, compile);
        View working = copy(before);
        boolean[] changed = LocalSteps.of(change, onward, compile).apply(working, places);
        StampLayer.over(working, places, seen.stamps(), changed);
        Transform last = RenditionCompiler.through(RenditionCompiler.WORKING, change.afterLocal(), onward, recipe, compile);
        char[] led = kept.get(new Led(before, last), Led::codes).clone();
        LocalSteps.onward(working, changed, last, led);
        return led;
    }

    Pixels pixels(RenditionView seen, View view, RenditionCompiler.ConversionOptions onward) {
        return pixels(seen, view, seen.places(view), onward, transforms::get);
    }

    /** What figures are taken from, with its local moves done. */
    Pixels pixels(Counted counted, RenditionCompiler.ConversionOptions onward) {
        RenditionView seen = counted.seen;
        if (seen.change().local().isEmpty() || counted.parts.isEmpty()) {
            return pixels(seen, counted.view, onward);
        }
        List<Pixels> parts = counted.parts.stream()
            .map(c -> pixels(seen, c.view, PicturePlaces.part(c.part, c.view.width(), c.view.height(), seen.framed()), onward,
                transforms::get))
            .toList();
        return new Pixels(View.stacked(parts.stream().map(Pixels::view).toList()), parts.get(0).source, parts.get(0).rest);
    }

    char[] apply(Pixels pixels, RenditionCompiler.ConversionOptions onward, Function<IccProfile, Recipe> recipe) {
        return RenditionCompiler.through(pixels.source, pixels.rest, onward, recipe, transforms::get).apply(pixels.view.pixels());
    }

    private static boolean all(RenditionView seen) {
        List<Placed> parts = seen.printed();
        return parts.isEmpty() || parts.size() == 1 && isWhole(parts.get(0), seen.master());
    }

    /** A printed part, as large as its share of what is looked at. */
    record Count(View view, PicturePlaces.Part part) {
    }

    /**
     * What figures are taken from: the printed parts of a master, in its own codes, one below the other and each as large as its share.
     *
     * @param view  all of them
     * @param parts empty where that is all of the picture
     */
    record Counted(RenditionView seen, View view, List<Count> parts) {
    }

    Counted counted(RenditionView seen, int longest) {
        if (all(seen)) {
            return new Counted(seen, previews.view(seen.master(), longest), List.of());
        }
        List<Count> parts = counts(seen, longest);
        return new Counted(seen, View.stacked(parts.stream().map(Count::view).toList()), parts);
    }

    private List<Count> counts(RenditionView seen, int longest) {
        List<Placed> parts = seen.printed();
        Crop first = parts.get(0).crop();
        double area = parts.stream().mapToDouble(p -> p.crop().width() * p.crop().height()).sum();
        // of several parts no more is looked at than of one of their shape
        double scale = longest / Math.max(first.width(), first.height()) * Math.sqrt(first.width() * first.height() / area);
        int width = (int) Math.max(1, Math.round(first.width() * scale));
        return parts.stream().map(p -> new Count(
            part(seen.master(), p, width, (int) Math.max(1, Math.round(p.crop().width() * p.crop().height() * scale * scale / width))),
            new PicturePlaces.Part(seen.master().width(), seen.master().height(), p.crop(), p.straighten()))).toList();
    }

    private static boolean isWhole(Placed placed, Master master) {
        return placed.straighten() == 0 && placed.crop().equals(Crop.whole(master.width(), master.height()));
    }

    View part(Master master, Placed placed, int width, int height) {
        View large = previews.view(master, LARGE_ENOUGH);
        double toView = (double) large.width() / master.width();
        return large.scaled(placed.crop().scaled(toView), placed.straighten(), width, height, LightCurve.GAMMA_22);
    }
}
