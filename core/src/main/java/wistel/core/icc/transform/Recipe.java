package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.PcsEncoding;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.Stage;

/**
 * What a transform is made of: profiles and options. Equal recipes make equal transforms, as profiles are equal by their hashes; so a
 * recipe is also the key of a cache.
 */
public sealed interface Recipe {

    ColourSpace from();

    ColourSpace to();

    /** From values of {@link #from()} to values of {@link #to()}, L*a*b* and XYZ in their own units at both ends. */
    List<Stage> stages();

    /**
     * The way from this recipe's results to what they look like, in L*a*b*: so that errors can be told in CIEDE2000. Empty where unknown.
     */
    default Optional<List<Stage>> look() {
        return to() == ColourSpace.LAB ? Optional.of(List.of()) : Optional.empty();
    }

    /** From one device to another. */
    sealed interface BetweenDevices extends Recipe {
        IccProfile source();

        IccProfile destination();

        @Override
        default ColourSpace from() {
            return source().space();
        }

        @Override
        default ColourSpace to() {
            return destination().space();
        }

        @Override
        default Optional<List<Stage>> look() {
            return Steps.look(destination());
        }
    }

    /** To what is seen or measured. */
    sealed interface ToLab extends Recipe {
        @Override
        default ColourSpace to() {
            return ColourSpace.LAB;
        }
    }

    /** Source to destination device values. */
    record Convert(IccProfile source, IccProfile destination, Intent intent, boolean blackPoint,
        Observer observer) implements BetweenDevices {
        @Override
        public List<Stage> stages() {
            return Steps.between(source, destination, intent, blackPoint, observer);
        }
    }

    /** As {@link Convert}, with the changes of abstract profiles in between, in their order. */
    record ViaAbstract(IccProfile source, List<IccProfile> changes, IccProfile destination, Intent intent,
        boolean blackPoint) implements BetweenDevices {
        public ViaAbstract {
            changes = List.copyOf(changes);
        }

        @Override
        public List<Stage> stages() {
            List<Stage> stages = new ArrayList<>(DeviceModel.toXyz(source, intent));
            changes.forEach(change -> stages.addAll(DeviceModel.abstractStep(change)));
            stages.addAll(Steps.connection(source, destination, intent, blackPoint, Observer.ADAPTED));
            stages.addAll(DeviceModel.fromXyz(destination, intent));
            return stages;
        }
    }

    /** What a source means to a destination, as L*a*b*: white for white, black for black or as it is. */
    record MeantFor(IccProfile source, IccProfile destination, Intent intent, boolean blackPoint) implements ToLab {
        @Override
        public ColourSpace from() {
            return source.space();
        }

        @Override
        public List<Stage> stages() {
            List<Stage> stages = new ArrayList<>(DeviceModel.toXyz(source, intent));
            stages.addAll(Steps.connection(source, destination, intent, blackPoint, Observer.ADAPTED));
            stages.add(new Stage.XyzToLab());
            return stages;
        }
    }

    /** As {@link Convert}, with a change of {@link MeantFor} in between. */
    record Changed(IccProfile source, LabChange change, IccProfile destination, Intent intent,
        boolean blackPoint) implements BetweenDevices {
        MeantFor meant() {
            return new MeantFor(source, destination, intent, blackPoint);
        }

        @Override
        public List<Stage> stages() {
            List<Stage> stages = new ArrayList<>(meant().stages());
            stages.add(new Stage.OnLab(change));
            stages.add(new Stage.LabToXyz());
            stages.addAll(DeviceModel.fromXyz(destination, intent));
            return stages;
        }
    }

    /** A device link, or an abstract profile by itself: its own table and nothing else. */
    record Linked(IccProfile link) implements Recipe {
        @Override
        public ColourSpace from() {
            return link.space();
        }

        @Override
        public ColourSpace to() {
            return link.pcs();
        }

        @Override
        public List<Stage> stages() {
            return DeviceModel.link(link);
        }
    }

    /** The picture as this printer would lay it down, shown on a display, which is the destination. */
    record Proof(IccProfile source, IccProfile printer, Intent intent, boolean blackPoint, ProofView view,
        IccProfile destination) implements BetweenDevices {
        @Override
        public List<Stage> stages() {
            List<Stage> stages = Steps.between(source, printer, intent, blackPoint, Observer.ADAPTED);
            stages.addAll(Steps.between(printer, destination, view.intent, view.blackPoint, Observer.ADAPTED));
            return stages;
        }
    }

    /** What device values mean as L*a*b*: relative to their medium, or as measured. */
    record DeviceToLab(IccProfile device, boolean absolute) implements ToLab {
        @Override
        public ColourSpace from() {
            return device.space();
        }

        @Override
        public List<Stage> stages() {
            List<Stage> stages = new ArrayList<>(DeviceModel.toXyz(device, Intent.RELATIVE));
            if (absolute) {
                stages.add(MediaWhite.toAbsolute(device, Observer.ADAPTED));
            }
            stages.add(new Stage.XyzToLab());
            return stages;
        }
    }

    /** The picture as this printer would lay it down, as L*a*b* relative to its paper or as measured. */
    record ProofToLab(IccProfile source, IccProfile printer, Intent intent, boolean blackPoint, boolean absolute) implements ToLab {
        @Override
        public ColourSpace from() {
            return source.space();
        }

        @Override
        public List<Stage> stages() {
            List<Stage> stages = Steps.between(source, printer, intent, blackPoint, Observer.ADAPTED);
            stages.addAll(new DeviceToLab(printer, absolute).stages());
            return stages;
        }
    }

    /**
     * L*a*b*, measured or relative to a medium, to device values; its black is none at all, and scaled where a destination always has it
     * scaled.
     */
    record FromLab(IccProfile device, Intent intent) implements Recipe {
        @Override
        public ColourSpace from() {
            return ColourSpace.LAB;
        }

        @Override
        public ColourSpace to() {
            return device.space();
        }

        @Override
        public List<Stage> stages() {
            List<Stage> stages = new ArrayList<>(List.of(new Stage.LabToXyz()));
            if (intent == Intent.ABSOLUTE) {
                stages.add(MediaWhite.fromAbsolute(device, Observer.ADAPTED));
            } else if (BlackPoint.applies(device, intent, false)) {
                stages.add(BlackPoint.scaling(BlackPoint.neutral(0), BlackPoint.ofDestination(device, intent)));
            }
            stages.addAll(DeviceModel.fromXyz(device, intent));
            return stages;
        }

        @Override
        public Optional<List<Stage>> look() {
            return Steps.look(device);
        }
    }

    /** The parts that recipes share. */
    final class Steps {
        private Steps() {
        }

        static List<Stage> between(IccProfile source, IccProfile destination, Intent intent, boolean blackPoint, Observer observer) {
            List<Stage> stages = new ArrayList<>(DeviceModel.toXyz(source, intent));
            stages.addAll(connection(source, destination, intent, blackPoint, observer));
            stages.addAll(DeviceModel.fromXyz(destination, intent));
            return stages;
        }

        /** What happens to XYZ between two media: white for white, or black for black, or nothing. */
        static List<Stage> connection(IccProfile source, IccProfile destination, Intent intent, boolean blackPoint, Observer observer) {
            if (intent == Intent.ABSOLUTE) {
                return List.of(MediaWhite.toAbsolute(source, observer), MediaWhite.fromAbsolute(destination, observer));
            }
            if (BlackPoint.applies(destination, intent, blackPoint)) {
                return List.of(BlackPoint.scaling(BlackPoint.ofSource(source, intent), BlackPoint.ofDestination(destination, intent)));
            }
            return List.of();
        }

        /** Device values with L*a*b* or XYZ at the ends as 16-bit codes over 65535. */
        static List<Stage> coded(Recipe recipe) {
            List<Stage> stages = new ArrayList<>();
            PcsEncoding.ofSamples(recipe.from()).map(PcsEncoding::decode).ifPresent(stages::add);
            stages.addAll(recipe.stages());
            PcsEncoding.ofSamples(recipe.to()).map(PcsEncoding::encode).ifPresent(stages::add);
            return stages;
        }

        static Optional<List<Stage>> look(IccProfile device) {
            List<Stage> stages = new ArrayList<>(DeviceModel.toXyz(device, Intent.RELATIVE));
            stages.add(new Stage.XyzToLab());
            return Optional.of(stages);
        }
    }
}
