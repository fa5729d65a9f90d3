package wistel.server.docket;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.WistelException;
import wistel.core.pairing.PairingVersion;
import wistel.core.rendition.Rendition;
import wistel.core.tone.PairingToneCurve;

/**
 * Leads what was looked at under the keys of earlier versions over to {@link ProofKeys}, once. Those were made of words and of the text of
 * values, so that another wording made every proof unseen; their marks are the colons between their parts.
 */
@Component
class FormerProofKeys {
    private static final Logger LOG = LoggerFactory.getLogger(FormerProofKeys.class);

    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final TransactionTemplate transaction;

    FormerProofKeys(DocketRepository dockets, DocketAssessor assessor, TransactionTemplate transaction) {
        this.dockets = dockets;
        this.assessor = assessor;
        this.transaction = transaction;
    }

    @Order(0)
    @EventListener(ApplicationStartedEvent.class)
    void leadOver() {
        for (UUID docket : dockets.withFormerProofKeys()) {
            try {
                transaction.executeWithoutResult(t -> leadOver(docket));
            } catch (WistelException | DataAccessException e) {
                LOG.warn("what was looked at of docket {} is to be looked at again: {}", docket, e.getMessage());
            }
        }
    }

    /** Every state that undo can go back to keeps whether it was looked at. */
    private void leadOver(UUID docket) {
        DocketRepository.Row row = dockets.get(docket);
        List<DocketRepository.Row> states = dockets.revisions(docket).stream().distinct().map(row::with).toList();
        List<DocketAssessment> all = assessor.assess(states);
        for (DocketAssessment judged : all) {
            DocketSpec spec = judged.row().spec();
            Optional<PairingVersion> pairing = judged.facts().pairing();
            if (pairing.isPresent() && seen(row.seen(), spec, pairing.get(), judged.facts().curve(spec))) {
                judged.proofKeys().values().forEach(key -> dockets.see(docket, key));
            }
        }
        if (all.size() == states.size()) {
            dockets.forgetFormerProofKeys(docket);
        }
    }

    private static boolean seen(Set<String> keys, DocketSpec d, PairingVersion pairing, Optional<PairingToneCurve> curve) {
        String tones = curve.filter(k -> d.renditions().stream().anyMatch(r -> d.monochrome(r, 0)))
            .map(k -> k.readingHash() + k.curve().points() + ":").orElse("");
        String proofed = d.renditions().stream().map(FormerProofKeys::seen).collect(Collectors.joining(","));
        return keys.contains(pairing.pairingId() + ":" + pairing.profileHash() + ":" + tones + proofed)
            || curve.isEmpty() && keys.contains(pairing.pairingId() + ":" + pairing.number() + ":" + proofed);
    }

    private static String seen(Rendition r) {
        return (r.change().changesNothing() ? r.masterHash() : r.masterHash() + " " + r.change())
            + (r.straightened() ? "" : " as it falls");
    }
}
