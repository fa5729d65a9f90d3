package wistel.server.printer;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wistel.core.fault.InvalidRequest;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;

/**
 * A printer that Wistel knows. It is the same as long as its IPP UUID is, whatever its name and address become.
 *
 * @param ippUuid         empty until it first answered, and for printers that have none
 * @param moreInfo        its own page, empty when it has none
 * @param descriptionHash empty until it first answered
 */
public record Printer(UUID id, String name, String uri, String ippUuid, boolean retired, String moreInfo,
    Optional<PrinterDescription> description,
    String descriptionHash, PrinterState state, Optional<Instant> seen) {
    /** Without when it last answered: two that are equal so are alike in all that a docket is judged by. */
    public Printer unseen() {
        return new Printer(id, name, uri, ippUuid, retired, moreInfo, description, descriptionHash, state, Optional.empty());
    }

    /**
     * Lets settings pass that it offers; what it lists nothing of isn't judged.
     *
     * @throws InvalidRequest with the others in words
     */
    public void offers(DriverSettings settings) {
        List<String> unknown = description.map(d -> d.unknown(settings)).orElse(List.of());
        if (!unknown.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.SETTINGS_UNCLEAR, name + " doesn't offer " + String.join(", ", unknown) + ".",
                "Choose among what it offers.");
        }
    }

    public boolean away() {
        return state.away();
    }
}
