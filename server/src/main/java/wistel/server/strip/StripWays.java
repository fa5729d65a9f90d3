package wistel.server.strip;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import wistel.core.docket.findings.SettingChoice;
import wistel.core.docket.findings.SettingChoices;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Sharpening;
import wistel.core.docket.spec.Variations;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Delta;
import wistel.core.sheet.StripAxis;
import wistel.core.sheet.StripPages;
import wistel.core.sheet.Varied;
import wistel.server.compensation.CompensationRepository;

/** What a test strip can vary, and how that is called. */
@Component
class StripWays {
    /** Settings by which a page would be another sheet, or be cut otherwise. */
    private static final List<String> NEVER = List.of(DriverSettings.FEED, DriverSettings.FINISHING, DriverSettings.TOP_MARGIN,
        DriverSettings.COLOUR_MODE, DriverSettings.RESOLUTION, SettingChoices.ROUTE, SettingChoices.EDGES);

    private final CompensationRepository compensations;

    StripWays(CompensationRepository compensations) {
        this.compensations = compensations;
    }

    /** Between neighbours, so that an eye sees it on paper. */
    double step(Varied what) {
        return switch (what) {
            case LIGHTNESS, CONTRAST, SHADOWS -> 10;
            case WARMTH, TINT -> 3;
            case CHROMA -> 15;
            case COMPENSATION, INTENT, BLACK_POINT, SHARPENING -> 0;
        };
    }

    StripChoices choices(DocketSpec d, PreflightFacts facts) {
        Rendition r = d.renditions().get(0);
        boolean gray = d.monochrome(r, facts.pictures().get(r.id()).channels());
        List<StripChoices.AxisChoice> axes = new ArrayList<>();
        for (Varied what : Varied.values()) {
            if (what.slides() && !(gray && (what == Varied.CHROMA || what == Varied.WARMTH || what == Varied.TINT))) {
                axes.add(new StripChoices.AxisChoice(what, what.word(), true, Variations.standing(r, what), step(what), what.most(),
                    List.of()));
            } else if (!what.slides()) {
                List<StripChoices.Way> of = ways(what, d);
                if (of.size() > 1) {
                    axes.add(new StripChoices.AxisChoice(what, what.word(), false, 0, 0, 0, of));
                }
            }
        }
        return new StripChoices(axes, pageChoices(d, facts).map(c -> new StripChoices.PageChoice(c.setting(), c.label(),
            c.values().stream().filter(SettingChoice.Value::possible).map(v -> new StripChoices.Way(v.value(), v.label(), v.chosen()))
                .toList()))
            .filter(c -> c.ways().size() > 1).toList());
    }

    private static Stream<SettingChoice> pageChoices(DocketSpec d, PreflightFacts facts) {
        return SettingChoices.of(d, facts).stream().filter(c -> !NEVER.contains(c.setting()));
    }

    /** With that which is there first. */
    private List<StripChoices.Way> ways(Varied what, DocketSpec d) {
        List<StripChoices.Way> ways = new ArrayList<>();
        switch (what) {
            case INTENT -> {
                if (d.route() instanceof ColourRoute.ByWistel by) {
                    Arrays.stream(Intent.values())
                        .forEach(i -> ways.add(new StripChoices.Way(i.name(), DocketPhrases.intent(i), i == by.intent())));
                }
            }
            case BLACK_POINT -> {
                if (d.route() instanceof ColourRoute.ByWistel by) {
                    ways.add(new StripChoices.Way("true", "black compensated", by.blackPoint()));
                    ways.add(new StripChoices.Way("false", "black as it falls", !by.blackPoint()));
                }
            }
            case SHARPENING -> Arrays.stream(Sharpening.values()).forEach(s -> ways.add(new StripChoices.Way(s.name(),
                s == Sharpening.OFF ? "not sharpened" : s.name().toLowerCase(Locale.ROOT) + " sharpening", s == d.sharpening())));
            case COMPENSATION -> {
                Rendition r = d.renditions().get(0);
                boolean none = r.compensation().inForceWords().isEmpty();
                ways.add(new StripChoices.Way("", none ? "without compensation" : r.compensation().inForceWords(), true));
                if (!none) {
                    ways.add(new StripChoices.Way(Variations.WITHOUT, "without compensation", false));
                }
                known(r).forEach(c -> ways.add(new StripChoices.Way(Variations.key(c), c.name() + ", version " + c.version(), false)));
            }
            case LIGHTNESS, CONTRAST, SHADOWS, WARMTH, TINT, CHROMA -> throw new IllegalArgumentException(what + " is a slider");
        }
        return ways;
    }

    /** Versions of the compensation that the rendition has, the newest first, and then the newest of others. */
    private List<Compensation> known(Rendition r) {
        Stream<Compensation> own = r.compensation().kept().stream().flatMap(k -> Stream.iterate(k.version() - 1, v -> v >= 1, v -> v - 1)
            .limit(StripAxis.MOST_STEPS).map(v -> compensations.find(UUID.fromString(k.id()), v).compensation()));
        Stream<Compensation> others = compensations.all().stream().map(CompensationRepository.Row::compensation)
            .filter(c -> r.compensation().kept().filter(k -> k.id().equals(c.id()) && k.version() == c.version()).isEmpty());
        return Stream.concat(own, others).toList();
    }

    /**
     * What is there, and the values that are named beside it.
     *
     * @param tried gets the compensations among them
     * @throws InvalidRequest when one isn't offered
     */
    StripAxis axis(Varied what, List<String> values, DocketSpec d, List<Compensation> tried) {
        List<StripChoices.Way> ways = ways(what, d);
        List<Delta> steps = new ArrayList<>();
        for (StripChoices.Way way : ways) {
            if (way.now()) {
                steps.add(new Delta.Instead(what, "", ""));
            } else if (values.contains(way.value())) {
                steps.add(new Delta.Instead(what, way.value(), way.words()));
            }
        }
        if (!values.stream().allMatch(v -> ways.stream().anyMatch(w -> w.value().equals(v)))) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "One of these ways of " + what.word() + " isn't there.",
                "Choose among those that are offered.");
        }
        if (what == Varied.COMPENSATION) {
            known(d.renditions().get(0)).stream().filter(c -> values.contains(Variations.key(c))).forEach(tried::add);
        }
        return new StripAxis(steps);
    }

    /** @throws InvalidRequest when the printer doesn't offer one of them with the other settings */
    StripPages pages(String setting, List<String> values, DocketSpec d, PreflightFacts facts) {
        SettingChoice choice = pageChoices(d, facts).filter(c -> c.setting().equals(setting)).findFirst()
            .orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "This setting can't be varied page by page.",
                "Choose one of those that are offered."));
        return new StripPages(setting, values.stream().map(v -> choice.values().stream().filter(o -> o.value().equals(v) && o.possible())
            .findFirst().map(o -> new StripPages.PageSetting(v, choice.label() + " " + o.label())).orElseThrow(() -> new InvalidRequest(
                InvalidRequest.Reason.OUT_OF_RANGE, "The printer can't be set to one of these here.",
                "Choose among those that are offered.")))
            .toList());
    }
}
