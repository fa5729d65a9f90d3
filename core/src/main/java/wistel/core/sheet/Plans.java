package wistel.core.sheet;

import java.util.Optional;

/** What only one kind of plan has, asked of any: for decisions that are of that kind alone. What each kind answers for itself is a {@link SheetPlan.Visitor}. */
public final class Plans {
    private Plans() {
    }

    public static Optional<Single> single(SheetPlan plan) {
        return plan.accept(new SheetPlan.Visitor<>() {
            @Override
            public Optional<Single> single(Single single) {
                return Optional.of(single);
            }

            @Override
            public Optional<Single> gang(Gang gang) {
                return Optional.empty();
            }

            @Override
            public Optional<Single> wrap(Wrap wrap) {
                return Optional.empty();
            }

            @Override
            public Optional<Single> chart(Chart chart) {
                return Optional.empty();
            }
        });
    }

    public static Optional<Wrap> wrap(SheetPlan plan) {
        return plan.accept(new SheetPlan.Visitor<>() {
            @Override
            public Optional<Wrap> single(Single single) {
                return Optional.empty();
            }

            @Override
            public Optional<Wrap> gang(Gang gang) {
                return Optional.empty();
            }

            @Override
            public Optional<Wrap> wrap(Wrap wrap) {
                return Optional.of(wrap);
            }

            @Override
            public Optional<Wrap> chart(Chart chart) {
                return Optional.empty();
            }
        });
    }
}
