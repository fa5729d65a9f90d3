package wistel.server.docket;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Move;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.tone.PairingToneCurve;
import wistel.server.store.Json;
import wistel.server.store.StoredText;

/**
 * Names the proof that stands for a rendition on a pairing, by what decides how it looks and by nothing else: whoever has seen one has seen
 * the other.
 */
@Component
class ProofKeys {
    private final Json json;

    ProofKeys(Json json) {
        this.json = json;
    }

    private record OfPicture(String masterHash, String sourceProfile, JsonNode treatment, JsonNode moves, Optional<String> tone) {
    }

    /** The form that keys have been made of since they are hashes: with one picture. */
    private record Proof(String paperProfile, String intent, boolean blackPoint, boolean driverMonochrome, List<OfPicture> pictures) {
    }

    /**
     * @param masters  with the profiles that say what their numbers mean
     * @param pictures by rendition
     * @param curve    of the docket's mode, where a wedge told one
     * @return by rendition: SHA-256 of the canonical JSON of what its proof depends on
     */
    Map<String, String> byRendition(DocketSpec d, PairingVersion pairing, List<PrintOrder.Master> masters,
        Map<String, PreflightFacts.Picture> pictures, Optional<PairingToneCurve> curve) {
        ColourRoute.ByWistel shown = d.shownRoute(pairing);
        Map<String, String> keys = new HashMap<>();
        for (PrintOrder.Master master : masters) {
            Rendition r = d.rendition(master.renditionId());
            // a curve that was fitted or drawn anew has the reading of before
            Optional<String> tone = d.tone(r, pictures.get(r.id()).channels(), curve)
                .map(key -> key + curve.map(k -> k.curve().points().toString()).orElse(""));
            OfPicture picture = new OfPicture(master.hash(), master.profileHash(), json.sum(r.treatment(), Treatment.class),
                json.tree(json.texts(r.compensation().on() ? r.compensation().moves() : List.of(), Move.class)), tone);
            Proof proof = new Proof(pairing.profileHash(), shown.intent().name(), shown.compensatesBlack(),
                d.route() instanceof ColourRoute.DriverMonochrome, List.of(picture));
            ObjectNode depends = (ObjectNode) json.tree(proof);
            List<LocalMove> local = r.local().stream().filter(LocalMove::on).toList();
            if (!local.isEmpty()) {
                // what has none is named as before there were any
                depends.set("local", json.tree(json.texts(local, LocalMove.class)));
            }
            keys.put(r.id(), StoredText.of(json.canonical(depends)).hash());
        }
        return keys;
    }
}
