package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.SettingChoice.Value;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.Conflict.Alteration;
import wistel.core.printer.Conflict.Offer;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.core.printer.RasterType;
import wistel.core.printer.ValueSet;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Plans;

/** What a docket's printer can be set to, in the order in which a person decides it, by the printer's own rules. */
public final class SettingChoices {
    /** Who makes the colour. */
    public static final String ROUTE = "route";
    public static final String EDGES = "edges";
    private static final List<String> REASONED = List.of(DriverSettings.MEDIA_TYPE, DriverSettings.FEED, DriverSettings.QUALITY,
        DriverSettings.BLACK, DriverSettings.COLOUR_MODE, DriverSettings.DARKNESS,
        DriverSettings.TINT, DriverSettings.TOP_MARGIN, DriverSettings.FINISHING, DriverSettings.RESOLUTION, PrinterDescription.OVER_EDGE,
        Conflict.THICKNESS, "print-rendering-intent");

    private final DocketSpec d;
    private final PreflightFacts facts;
    private final PrinterDescription printer;
    private final PrinterRules rules;
    private final RuleWords words;
    private final ConflictResolutions ways;
    private final JobRequest job;

    private SettingChoices(DocketSpec d, PreflightFacts facts) {
        this.d = d;
        this.facts = facts;
        this.printer = facts.described();
        this.rules = new PrinterRules(printer);
        this.words = new RuleWords(printer);
        this.ways = new ConflictResolutions(facts);
        this.job = facts.job(d);
    }

    /** Empty as long as no paper is chosen or its printer has never answered. */
    public static List<SettingChoice> of(DocketSpec d, PreflightFacts facts) {
        return facts.pairing().isEmpty() || facts.printer().isEmpty() ? List.of() : new SettingChoices(d, facts).all();
    }

    private List<SettingChoice> all() {
        List<SettingChoice> all = new ArrayList<>();
        all.add(setting(DriverSettings.MEDIA_TYPE, typeNote(), false));
        all.add(setting(DriverSettings.FEED, "", false));
        all.add(setting(DriverSettings.BLACK, blackNote(), false));
        all.add(setting(DriverSettings.QUALITY, "", false));
        all.add(route());
        if (d.route() instanceof ColourRoute.DriverMonochrome) {
            all.add(setting(DriverSettings.DARKNESS,
                facts.pairing().orElseThrow().grayOnly()
                    ? "the profile was made with " + printer.word(DriverSettings.DARKNESS,
                        facts.pairing().get().settings().get(DriverSettings.DARKNESS)
                            .orElse(printer.defaults().getOrDefault(DriverSettings.DARKNESS, "")))
                    : "no wedge was measured for it: how dark it prints is not known here",
                false));
            all.add(setting(DriverSettings.TINT, "", false));
        }
        if (Plans.single(d.plan()).isPresent()) {
            all.add(edges());
            all.add(over());
        }
        all.add(ends());
        all.add(setting(DriverSettings.FINISHING, "", false));
        all.add(resolution());
        printer.supported().keySet().stream().filter(name -> !REASONED.contains(name)).map(name -> setting(name, "", true))
            .forEach(all::add);
        return all.stream().filter(c -> c.values().size() > 1 || c.values().stream().anyMatch(v -> !v.chosen() || !v.possible())).toList();
    }

    private SettingChoice setting(String name, String note, boolean rest) {
        String now = now(name);
        List<Value> values = new ArrayList<>(rules.offers(name, job).stream().map(o -> value(name, o, now)).toList());
        if (!now.isEmpty() && values.stream().noneMatch(Value::chosen) && !printer.supported(name).holds(now) && !values.isEmpty()) {
            // what has vanished since it was set stands there too
            values.add(new Value(now, printer.word(name, now), true, "the printer doesn't offer it any more", ways.set(name, now),
                ways.fix(rules.way(job, Set.of()))));
        }
        return new SettingChoice(name, printer.word(name), values, note, rest);
    }

    private String now(String name) {
        return job.get(name).isEmpty() ? printer.defaults().getOrDefault(name, "") : job.get(name);
    }

    private Value value(String name, Offer offer, String now) {
        return value(name, offer, offer.value().equals(now), printer.word(name, offer.value()), ways.set(name, offer.value()),
            job.with(name, offer.value()));
    }

    private Value value(String judged, Offer offer, boolean chosen, String label, Command change, JobRequest with) {
        if (offer.possible()) {
            return new Value(offer.value(), label, chosen, "", change, Optional.empty());
        }
        String why = offer.conflicts().stream().map(c -> words.why(judged, c, with)).distinct().collect(Collectors.joining("; "));
        return new Value(offer.value(), label, chosen, why, change, together(change, offer.way()));
    }

    private Optional<Fix> together(Command change, List<Alteration> way) {
        return ways.fix(way)
            .map(m -> new Fix(m.label(), new Command.Together(Stream.concat(Stream.of(change), ways.changes(way).stream()).toList())));
    }

    private String typeNote() {
        PairingVersion pairing = facts.pairing().orElseThrow();
        return pairing.settings().mediaType().equals(d.settings().mediaType()) ? "the profile was made with it: another one voids it"
            : "the profile was made with " + printer.type(pairing.settings().mediaType());
    }

    private String blackNote() {
        return printer.blackChange().map(c -> "changing over takes " + Math.round(c.seconds() / 60) + " min and " + c.ml() + " ml")
            .orElse("");
    }

    // --- the way of the colour ---

    private SettingChoice route() {
        PairingVersion pairing = facts.pairing().orElseThrow();
        List<Value> values = new ArrayList<>();
        ColourRoute wistel = d.route() instanceof ColourRoute.ByWistel ? d.route() : new ColourRoute.ByWistel(pairing.intent(), true);
        ColourRoute driver = d.route() instanceof ColourRoute.ByDriver ? d.route()
            : new ColourRoute.ByDriver(printer.driverSpaces().isEmpty() ? RasterType.Space.SRGB : printer.driverSpaces().get(0).space());
        values.add(route("wistel", "Wistel", wistel, "it takes no colour in its own space: it would convert a second time"));
        values.add(route("driver", "the driver", driver, "it takes colour in its own space alone, and converts nothing"));
        printer.monochromeMode().ifPresent(mode -> values
            .add(route("driver-monochrome", "the driver, monochrome", new ColourRoute.DriverMonochrome(), "it takes no gray")));
        return new SettingChoice(ROUTE, "colour is made by", values, routeNote(), false);
    }

    private Value route(String name, String label, ColourRoute route, String without) {
        Command change = new MachineCommand.Routed(route);
        boolean chosen = route.getClass() == d.route().getClass();
        if (printer.raster(route).isEmpty()) {
            return new Value(name, label, chosen, without, change, Optional.empty());
        }
        if (facts.pairing().orElseThrow().grayOnly() && !(route instanceof ColourRoute.DriverMonochrome)) {
            return new Value(name, label, chosen, "this paper's profile is one of grays", change, Optional.empty());
        }
        JobRequest with = facts.job(d.withRoute(route));
        List<Conflict> conflicts = rules.check(with).stream().filter(c -> c.between().contains(DriverSettings.COLOUR_MODE)).toList();
        Offer offer = new Offer(name, conflicts, conflicts.isEmpty() ? List.of() : rules.way(with, Set.of(DriverSettings.COLOUR_MODE)));
        return value(DriverSettings.COLOUR_MODE, offer, chosen, label, change, with);
    }

    private String routeNote() {
        return d.route() instanceof ColourRoute.ByWistel
            ? "through the profile of " + facts.pairing().orElseThrow().paper() + "; the driver is told to do nothing"
            : d.route() instanceof ColourRoute.DriverMonochrome ? "keeps to its black and gray inks; Wistel sends gray and converts nothing"
                : "with a conversion of its own, from " + DocketPhrases.space(((ColourRoute.ByDriver) d.route()).space());
    }

    // --- edges ---

    private SettingChoice edges() {
        Edge edge = d.plan().edge();
        Offer border = rules.edges(false, job);
        Offer borderless = rules.edges(true, job.with(DriverSettings.TOP_MARGIN, ""));
        double over = printer.overEdgesMm().stream().filter(o -> o > 0).skip(1).findFirst()
            .orElse(printer.overEdgesMm().stream().reduce((a, b) -> b).orElse(0.0));
        List<Value> values = List.of(
            value(Conflict.BORDERLESS, border, !edge.borderless(), "white border",
                new SheetCommand.Edged(new Edge(false, 0, edge.bleedMm())), job.edged(false)),
            value(Conflict.BORDERLESS, borderless, edge.borderless(), "borderless",
                edge.borderless() ? new SheetCommand.Edged(edge) : new SheetCommand.Edged(new Edge(true, over, 0)), job.edged(true)));
        return new SettingChoice(EDGES, "edges", values, "", false);
    }

    /** How far over the edges the printer goes, enlarging what it is sent. */
    private SettingChoice over() {
        Edge edge = d.plan().edge();
        List<Value> values = edge.borderless() ? printer.overEdgesMm().stream()
            .map(mm -> new Value(Double.toString(mm),
                mm == 0 ? "not at all" : printer.word(PrinterDescription.OVER_EDGE, Long.toString(Math.round(mm * 100))),
                Math.abs(mm - edge.overMm()) < 0.01, "", new SheetCommand.Edged(new Edge(true, mm, edge.bleedMm())),
                Optional.<Fix>empty()))
            .toList() : List.of();
        return new SettingChoice(PrinterDescription.OVER_EDGE, "over the edge by", values,
            "the printer enlarges what it is sent by this, and it falls off the paper", false);
    }

    private SettingChoice ends() {
        List<String> offered = job.borderless() ? List.of() : rules.topMargins(job);
        String now = job.get(DriverSettings.TOP_MARGIN).isEmpty() && !offered.isEmpty() ? offered.get(0)
            : job.get(DriverSettings.TOP_MARGIN);
        List<Value> values = new ArrayList<>();
        for (String margin : offered) {
            boolean kept = margin.equals(offered.get(0));
            String label = printer.word(DriverSettings.TOP_MARGIN, margin) + (kept ? " kept" : ", at your own risk");
            values.add(new Value(margin, label, margin.equals(now), "", ways.set(DriverSettings.TOP_MARGIN, kept ? "" : margin),
                Optional.empty()));
        }
        return new SettingChoice(DriverSettings.TOP_MARGIN, "ends of the sheet", values.size() > 1 ? values : List.of(),
            "stiff paper may lift and touch the head near its ends", false);
    }

    /** Left to Wistel, it follows the picture. */
    private SettingChoice resolution() {
        String now = d.settings().get(DriverSettings.RESOLUTION).orElse("");
        List<Value> values = new ArrayList<>();
        values.add(new Value("", "as the picture asks", now.isEmpty(), "", new MachineCommand.Set(DriverSettings.RESOLUTION, ""),
            Optional.empty()));
        ValueSet offered = printer.supported(DriverSettings.RESOLUTION);
        rules.offers(DriverSettings.RESOLUTION, job).stream()
            .filter(o -> printer.resolutions().stream().anyMatch(r -> o.value().equals(r.toString())))
            .map(o -> value(DriverSettings.RESOLUTION, o, now)).forEach(values::add);
        return new SettingChoice(DriverSettings.RESOLUTION, printer.word(DriverSettings.RESOLUTION), offered.empty() ? List.of() : values,
            "", false);
    }
}
