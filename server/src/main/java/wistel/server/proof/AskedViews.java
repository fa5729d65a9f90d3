package wistel.server.proof;

import java.util.List;
import org.springframework.stereotype.Component;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.rendition.Rendition;
import wistel.server.docket.DocketAssessment;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.pairing.PairingRepository;

/** A docket's picture as it stands, or with moves that are not saved yet. */
@Component
class AskedViews {
    private final RenditionChangeParser changes;
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final ToneProofs tones;

    AskedViews(RenditionChangeParser changes, MasterRepository masters, PairingRepository pairings, ToneProofs tones) {
        this.changes = changes;
        this.masters = masters;
        this.pairings = pairings;
        this.tones = tones;
    }

    /** @param change that is not saved yet; blank for the docket's own */
    RenditionView seen(DocketSpec d, String rendition, String change) {
        Rendition r = d.rendition(rendition);
        Master master = masters.byHash(r.masterHash()).orElseThrow();
        if (change.isEmpty()) {
            return new RenditionView(master, r.change());
        }
        RenditionChangeParser.AskedChange asked = changes.asked(change);
        return new RenditionView(master, asked.change(), asked.framed(), List.of(), List.of());
    }

    /** As a wedge says that its tones print, where one was measured. */
    ToneProofs.MeasuredProof toned(DocketAssessment judged, String rendition, String change) {
        DocketSpec d = judged.row().spec();
        return tones.of(judged, rendition, seen(d, rendition, change).framedBy(judged, rendition), pairings.chosen(d.pairingId()));
    }
}
