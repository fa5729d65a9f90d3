package wistel.core.sheet;

import java.util.Optional;

/**
 * What only one kind of plan has, asked of any: for decisions that are of that kind alone. What each kind answers for itself is a {@link
 * SheetPlan.Visitor}.
 */
public final class Plans {
    private Plans() {
    }

    public static Optional<Single> single(SheetPlan plan) {
        return plan instanceof Single single ? Optional.of(single) : Optional.empty();
    }

    public static Optional<Gang> gang(SheetPlan plan) {
        return plan instanceof Gang gang ? Optional.of(gang) : Optional.empty();
    }

    public static Optional<Tiled> tiled(SheetPlan plan) {
        return plan instanceof Tiled tiled ? Optional.of(tiled) : Optional.empty();
    }

    public static Optional<Strip> strip(SheetPlan plan) {
        return plan instanceof Strip strip ? Optional.of(strip) : Optional.empty();
    }

    public static Optional<Wrap> wrap(SheetPlan plan) {
        return plan instanceof Wrap wrap ? Optional.of(wrap) : Optional.empty();
    }
}
