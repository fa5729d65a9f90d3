package wistel.server.proof;

import java.util.List;
import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.core.rendition.Move;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.Treatment;
import wistel.server.store.Json;

/**
 * Changes of colour as they stand in addresses of pictures: JSON of a treatment and its moves. Sliders that are not saved yet are asked for
 * so.
 */
@Component
class RenditionChangeParser {
    private static final int LONGEST = 6000;

    private final Json json;

    RenditionChangeParser(Json json) {
        this.json = json;
    }

    private record Asked(Treatment treatment, List<Move> moves) {
    }

    /** @param change empty for the master as it is */
    RenditionChange asked(String change) {
        if (change.isEmpty()) {
            return RenditionChange.NONE;
        }
        if (change.length() > LONGEST) {
            throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "A change of " + change.length() + " characters is none.",
                "Ask for the picture again.");
        }
        Asked asked = json.asked(change, Asked.class);
        return new RenditionChange(asked.treatment, asked.moves);
    }
}
