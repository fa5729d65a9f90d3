package wistel.server.proof;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Move;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.PictureStamp;
import wistel.server.store.Json;

/**
 * Changes of colour as they stand in addresses of pictures: JSON of a treatment and its moves. Sliders that are not saved yet are asked for
 * so.
 */
@Component
class RenditionChangeParser {
    private static final int LONGEST = 6000;
    private static final int MOST_STAMPS = 4;

    private final Json json;

    RenditionChangeParser(Json json) {
        this.json = json;
    }

    private record Asked(Treatment treatment, List<Move> moves, Optional<List<LocalMove>> local, Optional<LocalMove.PrintFrame> framed,
        Optional<List<PictureStamp>> stamps) {
    }

    /**
     * @param framed what is printed of the picture, which edges follow
     * @param stamps marks of one's own on that
     */
    record AskedChange(RenditionChange change, LocalMove.PrintFrame framed, List<PictureStamp> stamps) {
    }

    /** @param change empty for the master as it is */
    AskedChange asked(String change) {
        if (change.isEmpty()) {
            return new AskedChange(RenditionChange.NONE, LocalMove.PrintFrame.WHOLE, List.of());
        }
        if (change.length() > LONGEST) {
            throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "A change of " + change.length() + " characters is none.",
                "Ask for the picture again.");
        }
        Asked asked = json.asked(change, Asked.class);
        List<LocalMove> local = asked.local.orElse(List.of());
        if (local.size() > Rendition.MOST_LOCAL) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, local.size() + " local moves are more than can be.",
                "Keep up to " + Rendition.MOST_LOCAL + " of a picture.");
        }
        if (asked.stamps.orElse(List.of()).size() > MOST_STAMPS) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A picture has up to " + MOST_STAMPS + " marks.",
                "Ask for fewer.");
        }
        return new AskedChange(new RenditionChange(asked.treatment, asked.moves).locally(local),
            asked.framed.orElse(LocalMove.PrintFrame.WHOLE), asked.stamps.orElse(List.of()));
    }
}
