package wistel.server.arrival;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import org.springframework.stereotype.Service;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.transform.Recipe;
import wistel.core.pictures.ContentSearch;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightnessPlane;
import wistel.core.pictures.SameContent;
import wistel.core.pictures.View;
import wistel.core.render.PictureLight;
import wistel.server.master.Master;
import wistel.server.master.PreviewStore;
import wistel.server.proof.Png;
import wistel.server.proof.ProofService;

/** How two files of a picture differ: where the content of one lies in the other, and what of it has another colour. */
@Service
public class FileComparison {
    private static final int SEARCHED = 1200;
    private static final int COMPARED = 900;
    /** CIEDE2000 from which a difference counts. */
    static final double SEEN = 1;
    /** CIEDE2000 that the map shows as black. */
    private static final double DARKEST = 12;
    private static final int BARE = 232;
    private static final int FULL = 20;
    private static final int STRIPE = 6;
    /** Of a pixel, as shares of sides are told. */
    private static final double ROUNDING = 1e-6;
    private static final long KEPT = 2000;

    private final PreviewStore previews;
    private final ProofService proofs;
    private final Cache<String, SameContent> found = Caffeine.newBuilder().executor(Runnable::run).maximumSize(KEPT).build();

    FileComparison(PreviewStore previews, ProofService proofs) {
        this.previews = previews;
        this.proofs = proofs;
    }

    static SameContent.Size size(Master m) {
        return new SameContent.Size(m.width(), m.height());
    }

    /** Where the content of the older file lies in the newer one. */
    public SameContent content(Master older, Master newer) {
        return found.get(older.hash() + newer.hash(),
            k -> ContentSearch.of(LightnessPlane.ofLab(lab(older, previews.view(older, SEARCHED))), size(older),
                LightnessPlane.ofLab(lab(newer, previews.view(newer, SEARCHED))), size(newer)));
    }

    private View lab(Master of, View view) {
        return new View(view.width(), view.height(), 3,
            proofs.transforms().get(new Recipe.DeviceToLab(previews.profile(of), false)).apply(view.pixels()));
    }

    /**
     * @param share of what both show that differs by more than {@link #SEEN}
     * @param mean  CIEDE2000
     * @param most  CIEDE2000 of the pixel of a small copy that differs most
     * @param x, y  where that is, in shares of the newer file
     */
    public record Differing(double share, double mean, double most, double x, double y) {
    }

    /** CIEDE2000 pixel by pixel of a small copy of the newer file; less than 0 where the older one shows nothing. */
    private record Differences(int width, int height, double[] deltaE) {
    }

    private Differences differences(Master older, Master newer, int longest) {
        SameContent at = content(older, newer);
        SameContent used = at.alike() ? at : SameContent.framed(size(older), size(newer), 0);
        View b = previews.view(newer, longest);
        int left = (int) Math.ceil(Math.max(0, used.x(0)) * b.width() - ROUNDING);
        int top = (int) Math.ceil(Math.max(0, used.y(0)) * b.height() - ROUNDING);
        int right = (int) Math.floor(Math.min(1, used.x(1)) * b.width() + ROUNDING);
        int bottom = (int) Math.floor(Math.min(1, used.y(1)) * b.height() + ROUNDING);
        double[] deltaE = new double[b.width() * b.height()];
        Arrays.fill(deltaE, -1);
        if (right > left && bottom > top) {
            View a = previews.view(older, PreviewStore.LARGEST);
            double perX = a.width() / (used.across(1) * b.width());
            double perY = a.height() / (used.down(1) * b.height());
            Crop from = within(
                new Crop(Math.max(0, (left - used.x(0) * b.width()) * perX), Math.max(0, (top - used.y(0) * b.height()) * perY),
                    (right - left) * perX, (bottom - top) * perY),
                a);
            View there = lab(older, a.scaled(from, right - left, bottom - top, PictureLight.of(previews.profile(older))));
            View here = lab(newer, b);
            for (int y = top; y < bottom; y++) {
                for (int x = left; x < right; x++) {
                    int pixel = y * b.width() + x;
                    deltaE[pixel] = LabEncoding.V4.lab(here.pixels(), 3 * pixel)
                        .deltaE2000(LabEncoding.V4.lab(there.pixels(), 3 * ((y - top) * there.width() + x - left)));
                }
            }
        }
        return new Differences(b.width(), b.height(), deltaE);
    }

    /** Rounding may put it a part of a pixel beyond the view. */
    private static Crop within(Crop crop, View view) {
        double x = Math.min(crop.x(), view.width() - 1.0);
        double y = Math.min(crop.y(), view.height() - 1.0);
        return new Crop(x, y, Math.min(crop.width(), view.width() - x), Math.min(crop.height(), view.height() - y));
    }

    public Differing differing(Master older, Master newer) {
        Differences d = differences(older, newer, COMPARED);
        double sum = 0;
        int count = 0;
        int seen = 0;
        int most = 0;
        for (int i = 0; i < d.deltaE.length; i++) {
            if (d.deltaE[i] >= 0) {
                sum += d.deltaE[i];
                count++;
                seen += d.deltaE[i] > SEEN ? 1 : 0;
                most = d.deltaE[i] > d.deltaE[most] ? i : most;
            }
        }
        return new Differing((double) seen / Math.max(1, count), sum / Math.max(1, count), Math.max(0, d.deltaE[most]),
            (most % d.width + 0.5) / d.width, (most / d.width + 0.5) / d.height);
    }

    /** The newer file's frame: the darker, the more a place differs; striped where only the newer file shows something. */
    byte[] map(Master older, Master newer, int longest) {
        Differences d = differences(older, newer, longest);
        char[] rgb = new char[3 * d.deltaE.length];
        for (int i = 0; i < d.deltaE.length; i++) {
            int stripe = (i % d.width + i / d.width) / STRIPE % 2;
            double gray = d.deltaE[i] < 0 ? BARE - 70 * stripe
                : BARE + (FULL - BARE) * Math.sqrt(Math.min(1, d.deltaE[i] / DARKEST));
            Arrays.fill(rgb, 3 * i, 3 * i + 3, (char) Math.round(gray * 257));
        }
        return Png.of(d.width, d.height, rgb);
    }
}
