package wistel.core.docket.findings;

import java.util.stream.Stream;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.sheet.Layout;

/** A control strip that is wanted beside a picture needs room there, and its numbers have to reach the printer as they are. */
final class ControlStripRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (!d.paper().checked() || facts.pairing().isEmpty() || !layout.pages().get(0).patches().isEmpty()) {
            return Stream.empty();
        }
        return Stream.of(facts.strip().isPresent()
            ? leftOut("No edge has room for the control strip; it is left out.",
                "It takes a border of some 10 mm along one edge, on paper that can be printed on.")
            : leftOut("The control strip is left out.", unfit(d, facts.pairing().get())));
    }

    private static Finding leftOut(String what, String why) {
        return Finding.look(Stage.SIZE, Code.STRIP_LEFT_OUT, what, why, new Fix("Print none", new SheetCommand.Checked(false)));
    }

    private static String unfit(DocketSpec d, PairingVersion pairing) {
        if (pairing.grayOnly()) {
            return "This pairing prints grays alone; a strip beside a picture is of colours.";
        }
        return d.route() instanceof ColourRoute.ByWistel ? "This paper's profile isn't one of red, green and blue."
            : "The driver converts the colour, and would convert the strip's numbers too.";
    }
}
