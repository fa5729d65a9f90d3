package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.core.sheet.Layout;

/** The printer's settings against the pairing that the profile was made for, and against the printer's own rules. */
final class SettingsRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty()) {
            return Stream.empty();
        }
        List<Finding> found = new ArrayList<>();
        pairing(d, facts, found);
        conflicts(d, facts).forEach(found::add);
        facts.media(d).ifPresent(row -> length(row, layout, found));
        return found.stream();
    }

    /** What the printer's own rules have against its settings; nothing of a printer that has never answered. */
    static Stream<Finding> conflicts(DocketSpec d, PreflightFacts facts) {
        JobRequest job = facts.job(d);
        return facts.printer().map(PrinterRules::new).stream()
            .flatMap(rules -> rules.check(job).stream().map(conflict -> finding(conflict, d, facts, job, rules)));
    }

    private static void pairing(DocketSpec d, PreflightFacts facts, List<Finding> found) {
        PairingVersion pairing = facts.pairing().orElseThrow();
        PrinterDescription printer = facts.described();
        ConflictResolutions ways = new ConflictResolutions(facts);
        DriverSettings now = d.settings();
        DriverSettings made = pairing.settings();
        if (!now.mediaType().equals(made.mediaType())) {
            found.add(Finding.stop(Stage.MACHINE, Code.MEDIA_TYPE_DIFFERS,
                "The printer is set to " + printer.type(now.mediaType()) + ", the profile was made for "
                    + printer.type(made.mediaType()) + ".",
                "Another media type lays down other amounts of ink: the profile and the proof no longer hold.",
                new Fix("Set " + printer.type(made.mediaType()), ways.set(DriverSettings.MEDIA_TYPE, made.mediaType()))));
        }
        if (now.quality() != made.quality()) {
            found.add(Finding.look(Stage.MACHINE, Code.QUALITY_DIFFERS,
                "The profile was made at " + printer.quality(made.quality()) + " quality, this is set to "
                    + printer.quality(now.quality()) + ".",
                "Colours shift a little, mostly in the shadows.",
                new Fix("Set " + printer.quality(made.quality()), ways.set(DriverSettings.QUALITY, Integer.toString(made.quality())))));
        }
        String black = now.get(DriverSettings.BLACK).orElse(printer.defaults().getOrDefault(DriverSettings.BLACK, ""));
        made.get(DriverSettings.BLACK).filter(b -> !b.equals(black))
            .ifPresent(b -> found.add(Finding.stop(Stage.MACHINE, Code.BLACK_DIFFERS,
                "The profile was made with " + printer.word(DriverSettings.BLACK, b) + " black.",
                "The other black ink lies on this paper in another way: the profile and the proof no longer hold.",
                new Fix("Set " + printer.word(DriverSettings.BLACK, b) + " black", ways.set(DriverSettings.BLACK, b)))));
    }

    private static Finding finding(Conflict conflict, DocketSpec d, PreflightFacts facts, JobRequest job, PrinterRules rules) {
        PrinterDescription printer = facts.described();
        PairingVersion pairing = facts.pairing().orElseThrow();
        Set<String> between = conflict.between();
        Fix[] fixes = fixes(conflict, facts, job, rules);
        String through = DocketPhrases.capital(printer.feed(d.settings().feed()));
        if (conflict.kind() == Conflict.Kind.GONE) {
            String name = between.iterator().next();
            return Finding.stop(Stage.MACHINE, Code.SETTING_GONE,
                DocketPhrases.printer(pairing) + " doesn't offer " + printer.phrase(name, job.get(name)) + " any more.",
                "It was there when this was set; the printer would do something else.", fixes);
        }
        if (conflict.kind() == Conflict.Kind.RULE) {
            String judged = between.iterator().next();
            return Finding.stop(Stage.MACHINE, Code.SETTINGS_EXCLUDE,
                DocketPhrases.capital(printer.phrase(judged, value(judged, job, printer))) + ": "
                    + new RuleWords(printer).why(judged, conflict, job) + ".",
                "The printer would refuse it, or print something else.", fixes);
        }
        if (between.contains(Conflict.THICKNESS)) {
            return Finding.stop(Stage.MACHINE, Code.TOO_THICK,
                through + " " + new RuleWords(printer).why(DriverSettings.FEED, conflict, job) + ".",
                "It would crease, or stay in the printer.", fixes);
        }
        if (between.contains(DriverSettings.FEED) && between.contains(DriverSettings.MEDIA_TYPE) && between.size() == 2) {
            return Finding.stop(Stage.MACHINE, Code.FEED_NOT_FOR_MEDIA,
                through + " doesn't take " + printer.type(d.settings().mediaType()) + ".",
                "The printer would refuse the sheet or bend it.", fixes);
        }
        if (between.equals(Set.of(DriverSettings.TOP_MARGIN))
            || between.contains(DriverSettings.TOP_MARGIN) && !between.contains(Conflict.SIZE)) {
            return Finding.stop(Stage.MACHINE, Code.ENDS_NOT_OFFERED,
                "Ends of " + printer.word(DriverSettings.TOP_MARGIN, job.get(DriverSettings.TOP_MARGIN)) + " are not offered here.",
                "The printer keeps its own.", fixes);
        }
        return Finding.stop(Stage.SIZE, Code.SHEET_NOT_FOR_FEED,
            DocketPhrases.printer(pairing) + " doesn't take " + d.stock().name() + " of this kind through "
                + printer.feed(d.settings().feed()) + (job.borderless() ? ", borderless." : "."),
            "It can't be printed there.", fixes);
    }

    private static String value(String name, JobRequest job, PrinterDescription printer) {
        return job.get(name).isEmpty() ? printer.defaults().getOrDefault(name, "") : job.get(name);
    }

    /**
     * What the pairing was made with, where that is possible; then the fewest changes that leave the media type, and those that leave
     * nothing out.
     */
    private static Fix[] fixes(Conflict conflict, PreflightFacts facts, JobRequest job, PrinterRules rules) {
        ConflictResolutions ways = new ConflictResolutions(facts);
        List<Fix> fixes = new ArrayList<>();
        DriverSettings made = facts.pairing().orElseThrow().settings();
        for (String name : conflict.between()) {
            Optional<String> usual = made.get(name).filter(v -> !v.isEmpty() && !v.equals(job.get(name)));
            if (usual.isPresent() && rules.check(job.with(name, usual.get())).isEmpty()) {
                ways.fix(List.of(new Conflict.Alteration.Setting(name, usual.get()))).ifPresent(fixes::add);
            }
        }
        ways.fix(rules.way(job, Set.of(DriverSettings.MEDIA_TYPE, Conflict.SIZE)))
            .filter(m -> fixes.stream().noneMatch(o -> o.change().equals(m.change()))).ifPresent(fixes::add);
        return fixes.toArray(Fix[]::new);
    }

    /** Whether the printer takes this length of a roll. */
    private static void length(MediaRow row, Layout layout, List<Finding> found) {
        Range lengths = row.lengthMm();
        for (int i = 0; i < layout.pages().size(); i++) {
            double length = layout.pages().get(i).fedHeightMm();
            if (!lengths.holds(length)) {
                found.add(Finding
                    .stop(Stage.SIZE, Code.LENGTH_OUT_OF_RANGE, "A length of " + Length.mm(length) + " mm can't be printed there.",
                        "The printer takes " + Length.mm(lengths.from()) + " to " + Length.mm(lengths.to()) + " mm.")
                    .of(new Subject.OnPage(i + 1)));
            }
        }
    }
}
