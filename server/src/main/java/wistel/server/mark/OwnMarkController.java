package wistel.server.mark;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Orientation;
import wistel.core.render.StampArt;
import wistel.core.sheet.MarkArt;
import wistel.server.edge.FileAnswer;

/** Marks of one's own over REST. */
@RestController
@RequestMapping("/api")
class OwnMarkController {
    private static final int WIDEST = 1200;

    private final OwnMarkRepository marks;
    private final MarkArts arts;

    OwnMarkController(OwnMarkRepository marks, MarkArts arts) {
        this.marks = marks;
        this.arts = arts;
    }

    record OwnMarkView(UUID id, MarkArt art) {
    }

    record WordsAsked(String name, String words) {
    }

    @GetMapping("/own-marks")
    List<OwnMarkView> all() {
        return marks.all().stream().map(k -> new OwnMarkView(k.id(), k.art())).toList();
    }

    /** Takes a PNG or SVG as the request's body. */
    @PostMapping(value = "/own-marks", consumes = "!application/x-www-form-urlencoded")
    ResponseEntity<OwnMarkView> bring(@RequestParam String name, @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        return kept(arts.take(name.strip(), request.getInputStream()));
    }

    /** A line of text. */
    @PostMapping("/own-marks/words")
    ResponseEntity<OwnMarkView> write(@RequestBody WordsAsked asked) {
        return kept(arts.words(asked.name.strip(), asked.words));
    }

    private ResponseEntity<OwnMarkView> kept(MarkArt art) {
        OwnMarkRepository.Kept kept = marks.add(art);
        return ResponseEntity.status(HttpStatus.CREATED).body(new OwnMarkView(kept.id(), kept.art()));
    }

    /** It isn't offered any more; dockets that have it keep it. */
    @DeleteMapping("/own-marks/{id}")
    ResponseEntity<Void> forget(@PathVariable UUID id) {
        marks.forget(id);
        return ResponseEntity.noContent().build();
    }

    /** What a mark shows, in sRGB with transparency. */
    @GetMapping(value = "/mark-picture", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(@RequestParam MarkArt.Kind kind, @RequestParam String content, @RequestParam double aspect,
        @RequestParam(defaultValue = "400") int wide) throws IOException {
        if (wide < 1 || wide > WIDEST || !(wide / aspect <= WIDEST)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A mark is shown up to " + WIDEST + " pixels a side.",
                "Ask for it smaller.");
        }
        int high = (int) Math.max(1, Math.round(wide / aspect));
        StampArt.Cover cover = arts.art(new MarkArt(kind, kind.name(), content, aspect)).rows(Orientation.UPRIGHT, new int[] {wide, high},
            0,
            high);
        char[] rgb = arts.onScreen(cover.codes());
        BufferedImage image = new BufferedImage(wide, high, BufferedImage.TYPE_INT_ARGB);
        for (int i = 0; i < cover.share().length; i++) {
            image.setRGB(i % wide, i / wide,
                Math.round(255 * cover.share()[i]) << 24 | rgb[3 * i] / 257 << 16 | rgb[3 * i + 1] / 257 << 8 | rgb[3 * i + 2] / 257);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return FileAnswer.forEver().contentType(MediaType.IMAGE_PNG).body(out.toByteArray());
    }
}
