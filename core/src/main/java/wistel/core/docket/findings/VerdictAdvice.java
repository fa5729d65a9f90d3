package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Move;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.ToneMoves;
import wistel.core.rendition.Warmth;

/** What to change for the next attempt, by the verdict on the last one: changes of the docket, the likeliest first. */
public final class VerdictAdvice {
    private static final double BRIGHTER = 8;
    private static final double SHADOWS = 10;
    private static final double CAST = 2;
    private static final int FINE = 5;
    /** Settings that a printer may have against bands and touching heads, with the values that help. */
    private static final Map<String, String> AGAINST_BANDS = Map.of("wistel-passes", "one-way");
    private static final Map<String, String> AGAINST_STRIKES = Map.of("wistel-head-gap", "wide");

    private VerdictAdvice() {
    }

    /** @param verdict as a person judged; empty or "matches" asks for nothing */
    public static List<Fix> of(String verdict, DocketSpec d, PreflightFacts facts) {
        List<Fix> fixes = new ArrayList<>();
        switch (verdict) {
            case "too dark" -> {
                fixes.add(tones("Print it a little lighter", d, t -> new ToneMoves(t.shadows(), t.midtones(), t.lights(), t.contrast(),
                    clamped(t.brightness() + BRIGHTER), t.pivot())));
                fixes.add(tones("Open the shadows alone", d,
                    t -> new ToneMoves(clamped(t.shadows() + SHADOWS), t.midtones(), t.lights(), t.contrast(), t.brightness(), t.pivot())));
            }
            case "too light" -> fixes.add(tones("Print it a little darker", d,
                t -> new ToneMoves(t.shadows(), t.midtones(), t.lights(), t.contrast(), clamped(t.brightness() - BRIGHTER), t.pivot())));
            case "a cast" -> {
                pairingsType(d, facts).ifPresent(fixes::add);
                fixes.add(warmth("Print it a little warmer", d, CAST));
                fixes.add(warmth("Print it a little cooler", d, -CAST));
            }
            case "banding" -> {
                if (d.settings().quality() < FINE) {
                    set(fixes, d, facts, DriverSettings.QUALITY, Integer.toString(FINE));
                }
                AGAINST_BANDS.forEach((name, value) -> set(fixes, d, facts, name, value));
            }
            case "head strike" -> {
                if (d.settings().get(DriverSettings.TOP_MARGIN).isPresent()) {
                    fixes.add(
                        new Fix("Keep the wide margin at the ends", new ConflictResolutions(facts).set(DriverSettings.TOP_MARGIN, "")));
                }
                AGAINST_STRIKES.forEach((name, value) -> set(fixes, d, facts, name, value));
            }
            default -> {
                // nothing is to be changed
            }
        }
        return fixes;
    }

    private static double clamped(double slider) {
        return Math.max(-ToneMoves.MOST, Math.min(ToneMoves.MOST, slider));
    }

    /** On every picture of the docket, beside the moves that it has. */
    private static Fix tones(String label, DocketSpec d, UnaryOperator<ToneMoves> by) {
        return new Fix(label, each(d, moves -> {
            ToneMoves now = Move.of(ToneMoves.class, moves).orElse(ToneMoves.NONE);
            return Move.with(moves, by.apply(now));
        }));
    }

    private static Fix warmth(String label, DocketSpec d, double by) {
        return new Fix(label, each(d, moves -> {
            Warmth now = Move.of(Warmth.class, moves).orElse(Warmth.NONE);
            return Move.with(moves, new Warmth(Math.max(-Warmth.MOST, Math.min(Warmth.MOST, now.warmth() + by)), now.tint()));
        }));
    }

    private static Command each(DocketSpec d, UnaryOperator<List<Move>> moved) {
        List<Command> changes = new ArrayList<>();
        for (Rendition r : d.renditions()) {
            changes.add(
                new PictureCommand.Compensates(r.id(), new Compensated(moved.apply(r.compensation().moves()), Optional.empty(), true)));
        }
        return Command.of(changes);
    }

    private static Optional<Fix> pairingsType(DocketSpec d, PreflightFacts facts) {
        return facts.pairing().map(p -> p.settings().mediaType()).filter(t -> !t.equals(d.settings().mediaType()))
            .map(t -> new Fix("Set " + facts.described().type(t), new ConflictResolutions(facts).set(DriverSettings.MEDIA_TYPE, t)));
    }

    /** Only where the printer has it, can do it here, and hasn't done it already. */
    private static void set(List<Fix> fixes, DocketSpec d, PreflightFacts facts, String name, String value) {
        PrinterDescription printer = facts.described();
        boolean can = printer.supported(name).holds(value) && new PrinterRules(printer).check(facts.job(d).with(name, value)).isEmpty();
        if (can && !d.settings().get(name).orElse("").equals(value)) {
            fixes.add(new Fix(DocketPhrases.capital(printer.word(name)) + ": " + printer.word(name, value),
                new ConflictResolutions(facts).set(name, value)));
        }
    }
}
