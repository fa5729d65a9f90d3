package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Length;
import wistel.core.paper.PaperBody;
import wistel.core.printer.BlackChange;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.core.printer.Supply;
import wistel.core.sheet.Layout;

/** How the paper behaves on its way, what is left in the printer, and what it does before it prints. */
final class HandlingRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty()) {
            return Stream.empty();
        }
        List<Finding> found = new ArrayList<>();
        PaperBody body = facts.pairing().get().body();
        ends(d, facts, body, found);
        black(d, facts, found);
        facts.state().supplies().stream().filter(Supply::low)
            .forEach(s -> found
                .add(Finding.look(Stage.RELEASE, Code.SUPPLY_LOW, DocketPhrases.capital(s.name()) + " is at " + s.percent() + " %.",
                    "It may run out in the middle of the sheet: have the next one at hand.")));
        return found.stream();
    }

    /** Margins that the person has the printer waive. */
    private static void ends(DocketSpec d, PreflightFacts facts, PaperBody body, List<Finding> found) {
        JobRequest job = facts.job(d);
        List<String> offered = new PrinterRules(facts.described()).topMargins(job);
        String now = job.get(DriverSettings.TOP_MARGIN);
        if (offered.size() > 1 && !now.isEmpty() && !now.equals(offered.get(0)) && offered.contains(now)) {
            PrinterDescription printer = facts.described();
            String kept = printer.word(DriverSettings.TOP_MARGIN, offered.get(0));
            found.add(Finding.look(Stage.MACHINE, Code.ENDS_WAIVED,
                "Only " + printer.word(DriverSettings.TOP_MARGIN, now) + " are kept free at the ends, where this printer wants " + kept
                    + ".",
                body.lifts() ? "This paper lifts at its ends: it may well touch the head there and be marked."
                    : "Stiff paper may lift and touch the head near its ends.",
                new Fix("Keep " + kept, new ConflictResolutions(facts).set(DriverSettings.TOP_MARGIN, ""))));
        }
    }

    private static void black(DocketSpec d, PreflightFacts facts, List<Finding> found) {
        PrinterDescription printer = facts.described();
        String now = facts.state().blackInk();
        String wanted = facts.wantedBlack(d);
        if (!facts.state().away() && !now.isEmpty() && !wanted.isEmpty() && !wanted.equals(now)) {
            String takes = printer.blackChange().map(HandlingRule::takes).orElse("It takes time and ink.");
            found.add(Finding.note(Stage.RELEASE, Code.BLACK_CHANGES,
                "The printer changes over to " + printer.word(DriverSettings.BLACK, wanted) + " black first.", takes
                    + " Print together what needs the same black."));
        }
    }

    private static String takes(BlackChange change) {
        return "That takes " + (change.seconds() < 90 ? Math.round(change.seconds()) + " s" : Math.round(change.seconds() / 60) + " min")
            + " and " + Length.mm(change.ml()) + " ml of ink.";
    }
}
