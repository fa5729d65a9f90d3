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
import wistel.core.rendition.LocalSteps;
import wistel.core.rendition.PicturePlaces;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.sheet.Placed;
import wistel.server.master.Master;
import wistel.server.master.PreviewStore;

/** Views of pictures, and of the parts of them that are printed, with their local moves done: what proofs and figures start from. */
final class PicturePixels {
    private static final int UNMOVED_BYTES = 24 << 20;
    /** Of a view that parts are cut from. */
    private static final int LARGE_ENOUGH = 1200;

    private final PreviewStore previews;
    private final TransformCache transforms;
    private final Cache<Unmoved, char[]> unmoved = Caffeine.newBuilder().executor(Runnable::run).maximumWeight(UNMOVED_BYTES)
        .weigher((Unmoved u, char[] codes) -> 2 * codes.length).build();

    PicturePixels(PreviewStore previews, TransformCache transforms) {
        this.previews = previews;
        this.transforms = transforms;
    }

    /** Codes of a picture, the profile that says what they mean, and what is still to happen to their colours. */
    record Pixels(View view, IccProfile source, RenditionChange rest) {
    }

    /** A view before its local moves: while a place is dragged only these are done anew. */
    private record Unmoved(View view, Transform transform) {
    }

    /** With its local moves done. */
    Pixels pixels(RenditionView seen, View view, PicturePlaces places, RenditionCompiler.ConversionOptions onward,
        Function<Recipe, Transform> compile) {
        IccProfile source = previews.profile(seen.master());
        if (seen.change().local().isEmpty()) {
            return new Pixels(view, source, seen.change());
        }
        Transform toWorking = RenditionCompiler.toWorking(source, seen.change(), onward, compile);
        char[] before = unmoved.get(new Unmoved(view, toWorking), u -> u.transform.apply(u.view.pixels()));
        View working = new View(view.width(), view.height(), RenditionCompiler.WORKING.space().channels(), before.clone());
        LocalSteps.of(seen.change(), onward, compile).apply(working, places);
        return new Pixels(working, RenditionCompiler.WORKING, seen.change().afterLocal());
    }

    /**
     * A view led on to a proof or a display. While a place is dragged only rows that it reaches are led on anew.
     *
     * @param compile makes or finds transforms
     */
    char[] ledOn(RenditionView seen, View view, PicturePlaces places, RenditionCompiler.ConversionOptions onward,
        Function<IccProfile, Recipe> recipe, Function<Recipe, Transform> compile) {
        IccProfile source = previews.profile(seen.master());
        RenditionChange change = seen.change();
        if (change.local().isEmpty()) {
            return RenditionCompiler.through(source, change, onward, recipe, compile).apply(view.pixels());
        }
        Transform toWorking = RenditionCompiler.toWorking(source, change, onward, compile);
        Transform last = RenditionCompiler.through(RenditionCompiler.WORKING, change.afterLocal(), onward, recipe, compile);
        char[] before = unmoved.get(new Unmoved(view, toWorking), u -> u.transform.apply(u.view.pixels()));
        int channels = RenditionCompiler.WORKING.space().channels();
        View working = new View(view.width(), view.height(), channels, before.clone());
        boolean[] changed = LocalSteps.of(change, onward, compile).apply(working, places);
        char[] led = unmoved.get(new Unmoved(new View(view.width(), view.height(), channels, before), last),
            u -> u.transform.apply(u.view.pixels())).clone();
        LocalSteps.onward(working, changed, last, led);
        return led;
    }

    Pixels pixels(RenditionView seen, View view, RenditionCompiler.ConversionOptions onward) {
        return pixels(seen, view, seen.places(view), onward, transforms::get);
    }

    /** What figures are taken from, with its local moves done. */
    Pixels countedPixels(RenditionView seen, int longest, RenditionCompiler.ConversionOptions onward) {
        if (seen.change().local().isEmpty() || all(seen)) {
            return pixels(seen, counted(seen, longest), onward);
        }
        List<Pixels> parts = counts(seen, longest).stream()
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
    private record Count(View view, PicturePlaces.Part part) {
    }

    /** What figures are taken from: the printed parts of a master, in its own codes, one below the other and each as large as its share. */
    View counted(RenditionView seen, int longest) {
        return all(seen) ? previews.view(seen.master(), longest)
            : View.stacked(counts(seen, longest).stream().map(Count::view).toList());
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
