package wistel.server.master;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.pictures.Crop;
import wistel.core.pictures.GrownTexture;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.PatchSynthesis;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.View;
import wistel.core.render.PictureLight;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.WrappedSides;

/**
 * Texture for sides that are grown outwards, found once on a small view of the face and used for every size at which it is shown or
 * printed: what was seen is what is printed. The last ones are kept.
 */
@Component
public class SideTextures {
    /** Longest side of a face that texture is grown on. */
    private static final int FACE = 640;
    /** Deeper sides are grown on a smaller view, as every pixel of them is searched for. */
    private static final int DEEPEST = 80;
    private static final long MOST_PLACES = 8_000_000;

    private final PreviewStore previews;
    private final Cache<Asked, GrownTexture> kept = Caffeine.newBuilder().executor(Runnable::run).maximumWeight(MOST_PLACES)
        .weigher((Asked k, GrownTexture g) -> g.origin().length).build();

    SideTextures(PreviewStore previews) {
        this.previews = previews;
    }

    private record Asked(String master, Crop crop, double straighten, Size size, int seed) {
    }

    /** In pixels of the small view. */
    private record Size(int width, int height, int margin) {
        static Size of(Rect face, Rect grown) {
            double deep = Math.max(Math.max(face.x() - grown.x(), grown.right() - face.right()),
                Math.max(face.y() - grown.y(), grown.bottom() - face.bottom()));
            double perMm = Math.min(FACE / Math.max(face.width(), face.height()), DEEPEST / Math.max(deep, 1e-3));
            return new Size(Math.max(1, (int) Math.round(face.width() * perMm)), Math.max(1, (int) Math.round(face.height() * perMm)),
                (int) Math.ceil(deep * perMm) + 1);
        }
    }

    /** Of a face; empty where its sides are filled otherwise. */
    public Optional<GrownTexture> of(Master master, Placed placed) {
        WrappedSides sides = placed.sides().orElse(null);
        if (sides == null || !(sides.fill() instanceof SideFill.Extended extended)) {
            return Optional.empty();
        }
        Size size = Size.of(sides.faceMm(), sides.grownMm());
        return Optional
            .of(kept.get(new Asked(master.hash(), placed.crop(), placed.straighten(), size, extended.seed()), k -> grown(master, k)));
    }

    private GrownTexture grown(Master master, Asked asked) {
        View view = previews.view(master, PreviewStore.LARGEST);
        LightCurve light = PictureLight.of(previews.profile(master));
        double scale = (double) view.width() / master.width();
        View face = view.scaled(asked.crop.scaled(scale), asked.straighten, asked.size.width, asked.size.height, light);
        return PatchSynthesis.grow(face, Math.min(asked.size.margin, Math.max(face.width(), face.height())), asked.seed);
    }
}
