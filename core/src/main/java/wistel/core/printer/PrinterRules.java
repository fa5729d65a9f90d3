package wistel.core.printer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wistel.core.length.Margins;
import wistel.core.printer.Conflict.Alteration;
import wistel.core.printer.Conflict.Kind;
import wistel.core.printer.Conflict.Offer;

/**
 * What a printer can print of what it is asked for: its media table (sizes, types, feeds, margins, thickness) and its constraints (PWG
 * 5100.13, job-constraints-supported), with the smallest set of changes that makes a value possible, searched by iterative deepening.
 */
public final class PrinterRules {
    /** A way out with more changes than this is none. */
    private static final int MOST_CHANGES = 4;
    /** Of one setting, in the search. */
    private static final int MOST_VALUES = 24;
    /** PWG 5100.3: the printer chooses. */
    private static final String AUTO = "auto";
    private static final int MOST_STEPS = 250;

    private final PrinterDescription printer;
    private final MediaTable table;

    public PrinterRules(PrinterDescription printer) {
        this.printer = printer;
        this.table = MediaTable.of(printer.media());
    }

    /** Everything that excludes this request; empty where the printer can print it. */
    public List<Conflict> check(JobRequest job) {
        List<Conflict> found = new ArrayList<>(gone(job));
        media(job).ifPresent(found::add);
        Map<String, String> whole = whole(job);
        for (Constraint c : printer.constraints()) {
            if (c.met(whole)) {
                found.add(new Conflict(Kind.RULE, c.when().keySet()));
            }
        }
        return found;
    }

    /** The entry of the media table that this request is printed by: with borders where that is asked for, and then with the widest. */
    public Optional<MediaRow> row(JobRequest job) {
        MediaRow best = null;
        for (MediaRow m : table.of(type(job), feed(job))) {
            if (matches(m, job, 0) && (best == null || better(m, best))) {
                best = m;
            }
        }
        return Optional.ofNullable(best);
    }

    private static boolean better(MediaRow a, MediaRow b) {
        return sum(a.margins()) > sum(b.margins());
    }

    private static double sum(Margins m) {
        return m.top() + m.right() + m.bottom() + m.left();
    }

    /** Leading margins with borders that are offered for this request, the widest first: more than one where margins may be waived. */
    public List<String> topMargins(JobRequest job) {
        JobRequest any = job.edged(false).with(DriverSettings.TOP_MARGIN, "");
        return table.of(type(any), feed(any)).stream().filter(m -> !m.borderless() && matches(m, any, 0))
            .sorted(Comparator.comparingDouble(m -> -m.margins().top()))
            .map(MediaRow::topMargin).distinct().toList();
    }

    /** Values of a setting that nothing about them stands in the way of; ways out of the others aren't looked for. */
    public List<String> possible(String setting, JobRequest job) {
        return printer.supported(setting).values().stream()
            .filter(v -> check(job.with(setting, v)).stream().noneMatch(c -> c.between().contains(setting))).toList();
    }

    /** Every value that the printer lists for a setting, with what stands in the way of those that aren't possible now. */
    public List<Offer> offers(String setting, JobRequest job) {
        List<String> values = setting.equals(DriverSettings.TOP_MARGIN) ? topMargins(job) : printer.supported(setting).values();
        return values.stream().map(v -> offer(v, Set.of(setting), job.with(setting, v))).toList();
    }

    /** Whether the request could be printed to the edge, or with borders. */
    public Offer edges(boolean borderless, JobRequest job) {
        return offer(borderless ? "yes" : "no", Set.of(Conflict.BORDERLESS), job.edged(borderless));
    }

    /** What is to be changed so that this request can be printed, some of it kept. */
    public List<Alteration> way(JobRequest job, Set<String> kept) {
        return new Search(kept).from(job);
    }

    private Offer offer(String value, Set<String> kept, JobRequest job) {
        // a value that conflicts with nothing but itself can't be helped; what conflicts without it isn't its fault
        List<Conflict> conflicts = check(job).stream().filter(c -> kept.stream().anyMatch(c.between()::contains)).toList();
        return new Offer(value, conflicts, conflicts.isEmpty() ? List.of() : new Search(kept).from(job));
    }

    private List<Conflict> gone(JobRequest job) {
        List<Conflict> gone = new ArrayList<>();
        job.settings().forEach((name, value) -> {
            ValueSet offered = printer.supported(name);
            if (!name.equals(DriverSettings.TOP_MARGIN) && !value.isEmpty() && !offered.empty() && !offered.holds(value)) {
                gone.add(new Conflict(Kind.GONE, Set.of(name)));
            }
        });
        return gone;
    }

    // --- the media table ---

    private static final List<String> DIMENSIONS = List.of(Conflict.SIZE, Conflict.BORDERLESS, DriverSettings.TOP_MARGIN,
        DriverSettings.FEED, DriverSettings.MEDIA_TYPE, Conflict.THICKNESS);

    private static final int SIZE = 1;
    private static final int FEED = 8;
    private static final int TYPE = 16;

    /** @param skipped bits of {@link #DIMENSIONS} that aren't looked at */
    private static boolean matches(MediaRow m, JobRequest job, int skipped) {
        return ((skipped & SIZE) != 0 || fits(m, job))
            && ((skipped & 2) != 0 || !job.borderless() || m.borderless())
            && ((skipped & 32) != 0 || m.takesThickness(job.thicknessMm()))
            && ((skipped & FEED) != 0 || m.feed().isEmpty() || feed(job).isEmpty() || m.feed().equals(feed(job)))
            && ((skipped & TYPE) != 0 || m.type().isEmpty() || type(job).isEmpty() || m.type().equals(type(job)))
            && ((skipped & 4) != 0 || job.borderless() || job.get(DriverSettings.TOP_MARGIN).isEmpty()
                || m.topMargin().equals(job.get(DriverSettings.TOP_MARGIN)));
    }

    /** Left to the printer, any will do. */
    private static String type(JobRequest job) {
        return chosen(job.get(DriverSettings.MEDIA_TYPE));
    }

    private static String feed(JobRequest job) {
        return chosen(job.get(DriverSettings.FEED));
    }

    private static String chosen(String value) {
        return value.equals(AUTO) ? "" : value;
    }

    /**
     * Sheets lie in trays, whatever their size, unless they are to be cut from the roll; only what any length can be cut from is a roll.
     */
    private static boolean fits(MediaRow m, JobRequest job) {
        if (job.widthMm() == 0) {
            return true;
        }
        boolean kind = m.roll() == job.roll() || m.roll() && !m.feed().isEmpty() && m.feed().equals(job.get(DriverSettings.FEED));
        return m.widthMm().holds(job.widthMm()) && kind && (job.lengthMm() == 0 || m.lengthMm().holds(job.lengthMm()));
    }

    private boolean any(JobRequest job, int skipped) {
        for (MediaRow m : table.of((skipped & TYPE) != 0 ? "" : type(job), (skipped & FEED) != 0 ? "" : feed(job))) {
            if (matches(m, job, skipped)) {
                return true;
            }
        }
        return false;
    }

    /** Which few parts of the request no entry has together: those that can be left out one after the other are left out. */
    private Optional<Conflict> media(JobRequest job) {
        if (table.isEmpty() || any(job, 0)) {
            return Optional.empty();
        }
        int skipped = 0;
        Set<String> core = new LinkedHashSet<>();
        for (int i = 0; i < DIMENSIONS.size(); i++) {
            if (any(job, skipped | 1 << i)) {
                core.add(DIMENSIONS.get(i));
            } else {
                skipped |= 1 << i;
            }
        }
        return Optional.of(new Conflict(Kind.MEDIA, core));
    }

    /**
     * The settings that constraints look at: those of the request, the printer's own for the others, and the size in hundredths of a
     * millimetre.
     */
    private Map<String, String> whole(JobRequest job) {
        Map<String, String> whole = new TreeMap<>(printer.defaults());
        whole.putAll(job.settings());
        whole.put("x-dimension", Long.toString(Math.round(job.widthMm() * 100)));
        whole.put("y-dimension", Long.toString(Math.round(job.lengthMm() * 100)));
        Margins margins = job.borderless() ? Margins.NONE : row(job).map(MediaRow::margins).orElse(null);
        if (margins != null) {
            whole.put("media-top-margin", hundredths(margins.top()));
            whole.put("media-bottom-margin", hundredths(margins.bottom()));
            whole.put("media-left-margin", hundredths(margins.left()));
            whole.put("media-right-margin", hundredths(margins.right()));
        }
        return whole;
    }

    private static String hundredths(double mm) {
        return Long.toString(Math.round(mm * 100));
    }

    // --- ways out ---

    /** Depth-first, one change deeper each time; of the ways with the fewest changes the one that disturbs least. */
    private final class Search {
        private final Set<String> kept;
        private final Set<JobRequest> seen = new HashSet<>();
        private List<Alteration> best = List.of();
        private int bestPrice = Integer.MAX_VALUE;
        private int steps;

        private Search(Set<String> kept) {
            this.kept = kept;
        }

        private List<Alteration> from(JobRequest job) {
            for (int depth = 1; depth <= MOST_CHANGES && best.isEmpty() && steps < MOST_STEPS; depth++) {
                seen.clear();
                deeper(job, new LinkedHashMap<>(), depth);
            }
            return best;
        }

        private void deeper(JobRequest job, Map<String, Alteration> done, int left) {
            if (++steps > MOST_STEPS || !seen.add(job)) {
                return;
            }
            List<Conflict> conflicts = check(job);
            if (conflicts.isEmpty()) {
                int price = done.keySet().stream().mapToInt(PrinterRules::price).sum();
                if (price < bestPrice) {
                    bestPrice = price;
                    best = List.copyOf(done.values());
                }
                return;
            }
            if (apart(conflicts, done) > left) {
                return;
            }
            for (String name : conflicts.get(0).between()) {
                if (fixed(name, done)) {
                    continue;
                }
                for (Alteration a : alterations(name, job)) {
                    Map<String, Alteration> next = new LinkedHashMap<>(done);
                    next.put(name, a);
                    deeper(altered(job, a), next, left - 1);
                }
            }
        }

        private boolean fixed(String name, Map<String, Alteration> done) {
            return kept.contains(name) || done.containsKey(name) || name.equals(Conflict.THICKNESS);
        }

        /**
         * Conflicts that have no setting in common each want a change of their own; one without any that may be changed can't be helped.
         */
        private int apart(List<Conflict> conflicts, Map<String, Alteration> done) {
            Set<String> touched = new HashSet<>();
            int apart = 0;
            for (Conflict c : conflicts) {
                List<String> free = c.between().stream().filter(n -> !fixed(n, done)).toList();
                if (free.isEmpty()) {
                    return Integer.MAX_VALUE;
                }
                if (free.stream().noneMatch(touched::contains)) {
                    apart++;
                }
                touched.addAll(free);
            }
            return apart;
        }

        private List<Alteration> alterations(String name, JobRequest job) {
            return switch (name) {
                case Conflict.BORDERLESS -> job.borderless() ? List.of(new Alteration.Edges(false)) : List.of();
                case Conflict.SIZE, "x-dimension", "y-dimension" -> sizes(job);
                case DriverSettings.TOP_MARGIN -> topMargins(job).stream().<Alteration>map(v -> new Alteration.Setting(name, v)).toList();
                default -> values(name, job);
            };
        }

        /** What the printer itself proposes comes first. */
        private List<Alteration> values(String name, JobRequest job) {
            Set<String> values = new LinkedHashSet<>();
            printer.resolvers().stream().filter(r -> r.settings().containsKey(name)).forEach(r -> values.add(r.settings().get(name)));
            Optional.ofNullable(printer.defaults().get(name)).ifPresent(values::add);
            values.addAll(printer.supported(name).values());
            values.remove(job.get(name));
            return values.stream().filter(v -> printer.supported(name).holds(v)).limit(MOST_VALUES)
                .<Alteration>map(v -> new Alteration.Setting(name, v)).toList();
        }

        private List<Alteration> sizes(JobRequest job) {
            return table.of(type(job), feed(job)).stream()
                .filter(m -> matches(m, job, SIZE) && m.widthMm().from() == m.widthMm().to()
                    && (m.roll() || m.lengthMm().from() == m.lengthMm().to()))
                .sorted(Comparator.comparingDouble(m -> Math.abs(m.widthMm().from() - job.widthMm()) + (m.roll() == job.roll() ? 0 : 1000)))
                .<Alteration>map(m -> new Alteration.Size(m.widthMm().from(), m.roll() ? 0 : m.lengthMm().from(), m.roll())).distinct()
                .limit(MOST_VALUES).toList();
        }
    }

    public static JobRequest altered(JobRequest job, Alteration a) {
        if (a instanceof Alteration.Setting s) {
            return job.with(s.name(), s.value());
        }
        return a instanceof Alteration.Edges e ? job.edged(e.borderless())
            : job.sized(((Alteration.Size) a).widthMm(), ((Alteration.Size) a).lengthMm(), ((Alteration.Size) a).roll());
    }

    /** Another media type voids the profile, another size the layout; the rest is quickly changed. */
    private static int price(String name) {
        return switch (name) {
            case DriverSettings.MEDIA_TYPE -> 6;
            case Conflict.SIZE, "x-dimension", "y-dimension" -> 4;
            case DriverSettings.COLOUR_MODE, DriverSettings.QUALITY -> 3;
            case DriverSettings.FEED, Conflict.BORDERLESS -> 2;
            default -> 1;
        };
    }
}
