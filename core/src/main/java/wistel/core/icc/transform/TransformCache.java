package wistel.core.icc.transform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.concurrent.Executor;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Kernels;

/** Compiled transforms, kept by what they were made of: profiles' hashes and options. Bounded by the memory of their tables. */
public final class TransformCache {
    private static final int HEADS = 16;
    private static final int QUICK = 8;

    private final Cache<Recipe, Transform> kept;
    /** Those that serve until the one to keep is made; empty where there is none. */
    private final Cache<Recipe, Optional<Transform>> quick = built().maximumSize(QUICK).build();
    /** What a change's transforms have in common. */
    private final Cache<Recipe.MeantFor, Kernel> heads = built().maximumSize(HEADS).build();

    /** @param mostBytes what the kept transforms' tables may hold together */
    public TransformCache(long mostBytes) {
        kept = built().maximumWeight(mostBytes).weigher((Recipe r, Transform t) -> (int) Math.min(Integer.MAX_VALUE, t.bytes())).build();
    }

    /**
     * What is kept and what is dropped is seen to by who asks, never on the common pool: a thread of it that waits at a compilation's lock
     * would keep that compilation from its own parts.
     */
    private static Caffeine<Object, Object> built() {
        return Caffeine.newBuilder().executor(Runnable::run);
    }

    /** The kept one, or a new one. Two who ask for the same at once wait for one compilation. */
    public Transform get(Recipe recipe) {
        return kept.get(recipe, this::compiled);
    }

    /**
     * The kept one; else, where that is quickly made, one that is slower for each pixel, while the one to keep is made behind it. For
     * somebody who waits for the first picture.
     */
    public Transform getOrApproximate(Recipe recipe, Executor behind) {
        Transform known = kept.getIfPresent(recipe);
        if (known != null) {
            quick.invalidate(recipe);
            return known;
        }
        if (recipe instanceof Recipe.Changed) {
            // small and new with every step of a slider: it would push out what is waited for
            return get(recipe);
        }
        return quick.get(recipe, r -> TransformCompiler.quick(r).map(made -> {
            behind.execute(() -> get(r));
            return made;
        })).orElseGet(() -> get(recipe));
    }

    /** With its fast form: whoever waits here will ask for pixels, and the tables' bytes count. */
    private Transform compiled(Recipe recipe) {
        Transform transform = recipe instanceof Recipe.Changed changed
            ? TransformCompiler.compile(changed, () -> heads.get(changed.meant(), m -> ChangedBaker.head(m, Kernels.best())),
                Kernels.best())
            : TransformCompiler.compile(recipe);
        transform.baked();
        return transform;
    }

    public long size() {
        kept.cleanUp();
        return kept.estimatedSize();
    }
}
