package wistel.server.master;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.UncheckedIOException;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.fault.WistelException;
import wistel.core.pictures.DetailMap;

/** Where there is something to see in masters, from their small views; the last ones are kept. */
@Component
public class PictureDetails {
    private static final int VIEW = 480;
    private static final long MOST_BYTES = 32L << 20;

    private final PreviewStore previews;
    private final MasterRepository masters;
    private final Cache<String, DetailMap> kept = Caffeine.newBuilder().executor(Runnable::run).maximumWeight(MOST_BYTES)
        .weigher((String hash, DetailMap map) -> map.bytes()).build();

    PictureDetails(PreviewStore previews, MasterRepository masters) {
        this.previews = previews;
        this.masters = masters;
    }

    /** Empty where the picture can't be read any more: whoever shows it says so. */
    public Optional<DetailMap> of(String hash) {
        try {
            return Optional.of(kept.get(hash, h -> DetailMap.of(previews.view(masters.byHash(h).orElseThrow(), VIEW))));
        } catch (WistelException | UncheckedIOException e) {
            return Optional.empty();
        }
    }
}
