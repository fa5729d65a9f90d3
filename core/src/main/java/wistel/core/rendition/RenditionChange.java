package wistel.core.rendition;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.LabFunction;

/**
 * All that happens to a colour before it is converted: the treatment, then the moves. Equal ones do the same, so it is the key under which
 * what is compiled of it is kept.
 */
public final class RenditionChange implements LabChange {
    public static final RenditionChange NONE = new RenditionChange(new Treatment.Colour(), List.of());

    private final Treatment treatment;
    private final List<Move> moves;
    private final Optional<LinearisationStep> straightening;
    private final List<LocalMove> local;
    private final Use use;
    private final LabFunction[] steps;

    /**
     * @param driverGray a driver's monochrome mode is sent it: nothing may add colour
     * @param tones      what tone moves of colours act on
     */
    private record Use(boolean driverGray, TonesOf tones) {
        static final Use USUAL = new Use(false, TonesOf.OKLAB);
    }

    public RenditionChange(Treatment treatment, List<Move> moves) {
        this(treatment, moves, Optional.empty());
    }

    /**
     * @param straightening of monochrome pictures alone: it moves every lightness, whatever its colour. It comes last, but before moves of
     *                      colour where the treatment leaves colours as they are
     */
    public RenditionChange(Treatment treatment, List<Move> moves, Optional<LinearisationStep> straightening) {
        this(treatment, moves, straightening, List.of(), Use.USUAL);
    }

    private RenditionChange(Treatment treatment, List<Move> moves, Optional<LinearisationStep> straightening, List<LocalMove> local,
        Use use) {
        this.treatment = treatment;
        this.straightening = straightening;
        this.local = List.copyOf(local);
        this.use = use;
        this.moves = Compensation.inOrder(moves);
        List<LabFunction> all = new ArrayList<>();
        if (!treatment.changesNothing()) {
            all.add(treatment.function());
            this.moves.forEach(m -> all.add(m.function()));
            straightening.ifPresent(last -> all.add(last.function()));
        } else {
            List<Move> tones = tones();
            if (!tones.isEmpty() || straightening.isPresent()) {
                all.add(use.tones == TonesOf.OKLAB ? new TonesOfColours(last(tones)) : last(tones));
            }
            this.moves.stream().filter(m -> !tones.contains(m)).forEach(m -> all.add(m.function()));
        }
        steps = all.toArray(LabFunction[]::new);
    }

    public Treatment treatment() {
        return treatment;
    }

    public List<Move> moves() {
        return moves;
    }

    /** The same, straightened another way or not at all. */
    public RenditionChange straightened(Optional<LinearisationStep> next) {
        return new RenditionChange(treatment, moves, next, local, use);
    }

    /** With local moves, which act after all others and before what straightens. Those that are switched off are left out. */
    public RenditionChange locally(List<LocalMove> next) {
        return new RenditionChange(treatment, moves, straightening, next.stream().filter(LocalMove::on).toList(), use);
    }

    /** Those that are in force; {@link #apply} and {@link #form} know nothing of them: see {@link LocalSteps}. */
    public List<LocalMove> local() {
        return local;
    }

    /** What happens to all of the picture before its local moves. */
    RenditionChange beforeLocal() {
        return new RenditionChange(treatment, moves, Optional.empty(), List.of(), use);
    }

    /** What happens to all of the picture after its local moves. */
    public RenditionChange afterLocal() {
        return new RenditionChange(new Treatment.Colour(), List.of(), straightening, List.of(), use);
    }

    /** A driver's monochrome mode is sent it: nothing may add colour. */
    boolean driverGray() {
        return use.driverGray;
    }

    /** The same, with tones of colours acting on something else. */
    public RenditionChange tonesOf(TonesOf next) {
        return new RenditionChange(treatment, moves, straightening, local, new Use(use.driverGray, next));
    }

    public TonesOf tonesOf() {
        return use.tones;
    }

    public Optional<LinearisationStep> straightening() {
        return straightening;
    }

    /** Without colour and toning: what a driver's monochrome mode is sent. */
    public RenditionChange toDriverGray() {
        return new RenditionChange(
            new Treatment.Monochrome(treatment instanceof Treatment.Monochrome m ? m.mix() : new HueMix(List.of()), Toning.NEUTRAL),
            tones(), straightening, local, new Use(true, use.tones));
    }

    /** The moves of lightness alone. */
    private List<Move> tones() {
        return moves.stream().filter(m -> m instanceof LightnessCurve || m instanceof ToneMoves).toList();
    }

    /** Nothing happens: a picture is converted straight from its own profile. */
    public boolean changesNothing() {
        return steps.length == 0 && local.isEmpty();
    }

    @Override
    public void apply(double[] lab, int at) {
        for (LabFunction step : steps) {
            step.apply(lab, at);
        }
    }

    @Override
    public Form form() {
        if (treatment instanceof Treatment.Monochrome mono) {
            LabFunction toned = mono.toning().function();
            LabFunction moved = last(moves);
            return new Form.Collapsed(mono.mix().even() ? Optional.empty() : Optional.of(mono.mix().plane()), (lab, at) -> {
                toned.apply(lab, at);
                moved.apply(lab, at);
            });
        }
        Optional<OklabPlane> colour = Move.of(ChromaMoves.class, moves).map(ChromaMoves::plane);
        return new Form.TonesFirst(use.tones, last(tones()), colour, all(moves.stream().filter(Warmth.class::isInstance).toList()));
    }

    private LabFunction last(List<Move> some) {
        LabFunction moved = all(some);
        return straightening.map(LinearisationStep::function).<LabFunction>map(straight -> (lab, at) -> {
            moved.apply(lab, at);
            straight.apply(lab, at);
        }).orElse(moved);
    }

    static LabFunction all(List<Move> moves) {
        LabFunction[] functions = moves.stream().map(Move::function).toArray(LabFunction[]::new);
        return (lab, at) -> {
            for (LabFunction f : functions) {
                f.apply(lab, at);
            }
        };
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof RenditionChange r && r.treatment.equals(treatment) && r.moves.equals(moves)
            && r.straightening.equals(straightening) && r.local.equals(local) && r.use.equals(use);
    }

    @Override
    public int hashCode() {
        return Objects.hash(treatment, moves, straightening, local, use);
    }

    @Override
    public String toString() {
        return treatment.words() + (moves.isEmpty() ? "" : ", " + Move.words(moves))
            + straightening.map(s -> ", straightened " + s.points()).orElse("");
    }
}
