package wistel.server.proof;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Component;
import wistel.core.pictures.Crop;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.RenditionChange;
import wistel.server.display.Display;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PreviewStore;

/** Small pictures of what is printed, treated but not proofed, for documents. */
@Component
public class PrintThumbnails {
    private final MasterRepository masters;
    private final ProofService proofs;
    private final PreviewStore previews;

    PrintThumbnails(MasterRepository masters, ProofService proofs, PreviewStore previews) {
        this.previews = previews;
        this.masters = masters;
        this.proofs = proofs;
    }

    /** All of a picture, upright; {@code scale} is its pixels for one of the master's. */
    public record Thumbnail(BufferedImage whole, double scale) {
        /** The part that a crop of the master shows. */
        public BufferedImage part(Crop ofMaster) {
            Crop crop = ofMaster.scaled(scale);
            int x = (int) Math.max(0, Math.min(whole.getWidth() - 1, Math.round(crop.x())));
            int y = (int) Math.max(0, Math.min(whole.getHeight() - 1, Math.round(crop.y())));
            return whole.getSubimage(x, y, Math.max(1, Math.min(whole.getWidth() - x, (int) Math.round(crop.width()))),
                Math.max(1, Math.min(whole.getHeight() - y, (int) Math.round(crop.height()))));
        }
    }

    /** Empty where the picture isn't there any more. */
    public Optional<Thumbnail> of(Rendition rendition, int pixels) throws IOException {
        Optional<Master> master = masters.byHash(rendition.masterHash());
        if (master.isEmpty()) {
            return Optional.empty();
        }
        BufferedImage whole = ImageIO.read(new ByteArrayInputStream(proofs.master(
            new RenditionView(master.get(), new RenditionChange(rendition.treatment(), List.of())), Display.THUMBNAIL,
            previews.view(master.get(), pixels))));
        return Optional.of(new Thumbnail(whole, (double) whole.getWidth() / master.get().width()));
    }

    public static byte[] png(BufferedImage picture) throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        return png.toByteArray();
    }
}
