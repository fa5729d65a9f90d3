package wistel.core.icc.transform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

/** Compiled transforms, kept by what they were made of: profiles' hashes and options. Bounded by the memory of their tables. */
public final class TransformCache {
    private final Cache<Recipe, Transform> kept;

    /** @param mostBytes what the kept transforms' tables may hold together */
    public TransformCache(long mostBytes) {
        kept = Caffeine.newBuilder().maximumWeight(mostBytes).weigher((Recipe r, Transform t) -> (int) Math.min(Integer.MAX_VALUE, t.bytes())).build();
    }

    /** The kept one, or a new one. Two who ask for the same at once wait for one compilation. */
    public Transform get(Recipe recipe) {
        return kept.get(recipe, TransformCompiler::compile);
    }

    public long size() {
        kept.cleanUp();
        return kept.estimatedSize();
    }
}
