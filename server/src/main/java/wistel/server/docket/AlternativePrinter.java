package wistel.server.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.Readback;
import wistel.core.pairing.PairingVersion;

/**
 * The docket on another printer's pairing, and what that changes.
 *
 * @param samePaper it is the same paper
 * @param changes   what would be otherwise, in words
 * @param stops     what would stop it there
 */
public record AlternativePrinter(UUID pairingId, String printerName, String paper, boolean samePaper, List<String> changes,
    List<String> stops,
    String readback) {
    static AlternativePrinter of(DocketAssessment now, DocketAssessment there) {
        PairingVersion pairing = there.facts().pairing().orElseThrow();
        PreflightFacts before = now.facts();
        PreflightFacts after = there.facts();
        DocketSpec a = now.row().spec();
        DocketSpec b = there.row().spec();
        boolean samePaper = before.pairing().filter(p -> p.paper().equals(pairing.paper())).isPresent();
        List<String> changes = new ArrayList<>();
        before.pairing().filter(p -> !samePaper).ifPresent(p -> changes.add(pairing.paper() + " instead of " + p.paper()));
        differ(changes, "media type", before.described().type(a.settings().mediaType()), after.described().type(b.settings().mediaType()));
        differ(changes, "through", before.described().feed(a.settings().feed()), after.described().feed(b.settings().feed()));
        differ(changes, "on", a.stock().name(), b.stock().name());
        differ(changes, "colour", new MachineCommand.Routed(a.route()).words(), new MachineCommand.Routed(b.route()).words());
        if (!before.pairing().map(PairingVersion::profileHash).equals(after.pairing().map(PairingVersion::profileHash))) {
            changes.add("another profile: look at the proof again");
        }
        List<String> stops = there.findings().stream().filter(f -> f.severity() == Finding.Severity.STOP).map(Finding::what).toList();
        return new AlternativePrinter(UUID.fromString(pairing.pairingId()), pairing.printerName(), pairing.paper(), samePaper, changes,
            stops,
            Readback.of(b, after, there.layout()));
    }

    private static void differ(List<String> changes, String what, String before, String after) {
        if (!before.equals(after)) {
            changes.add(what + " " + after + " instead of " + before);
        }
    }
}
