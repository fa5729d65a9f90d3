package wistel.core.icc.transform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Kernels;

/** Compiled transforms, kept by what they were made of: profiles' hashes and options. Bounded by the memory of their tables. */
public final class TransformCache {
    private static final int HEADS = 16;

    private final Cache<Recipe, Transform> kept;
    /** What a change's transforms have in common. */
    private final Cache<Recipe.MeantFor, Kernel> heads = Caffeine.newBuilder().maximumSize(HEADS).build();

    /** @param mostBytes what the kept transforms' tables may hold together */
    public TransformCache(long mostBytes) {
        kept = Caffeine.newBuilder().maximumWeight(mostBytes).weigher((Recipe r, Transform t) -> (int) Math.min(Integer.MAX_VALUE, t.bytes())).build();
    }

    /** The kept one, or a new one. Two who ask for the same at once wait for one compilation. */
    public Transform get(Recipe recipe) {
        return kept.get(recipe, this::compiled);
    }

    private Transform compiled(Recipe recipe) {
        return recipe instanceof Recipe.Changed changed
            ? TransformCompiler.compile(changed, heads.get(changed.meant(), m -> ChangedBaker.head(m, Kernels.best())), Kernels.best()) : TransformCompiler.compile(recipe);
    }

    public long size() {
        kept.cleanUp();
        return kept.estimatedSize();
    }
}
