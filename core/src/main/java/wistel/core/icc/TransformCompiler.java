package wistel.core.icc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Builds the chains of stages behind every transform and simplifies them. Pure: the same profiles and options give the same transform. */
public final class TransformCompiler {
    private TransformCompiler() {
    }

    /** How a proof shows the paper on the display. */
    public enum ProofView {
        /** Paper white becomes display white and ink black display black. */
        SCREEN_WHITE_AND_BLACK(Intent.RELATIVE, true),
        /** Paper white becomes display white; ink black keeps its lightness under it. */
        INK_BLACK(Intent.RELATIVE, false),
        /** Paper white and ink black as they would be measured. */
        PAPER_WHITE(Intent.ABSOLUTE, false);

        private final Intent intent;
        private final boolean bpc;

        ProofView(Intent intent, boolean bpc) {
            this.intent = intent;
            this.bpc = bpc;
        }
    }

    /** Source to destination device values. Black point compensation is left out with the absolute intent (ISO 18619, 4.1). */
    public static Transform convert(IccProfile source, IccProfile destination, Intent intent, boolean bpc) {
        List<Stage> chain = new ArrayList<>();
        join(chain, source, destination, intent, bpc);
        return build(chain, source.space(), destination.space());
    }

    /** What the source means, as media-relative L*a*b*. */
    public static Transform toLab(IccProfile source) {
        List<Stage> chain = new ArrayList<>(ProfileModel.toXyz(source, Intent.RELATIVE));
        return toLab(chain, source);
    }

    /** What would be measured of these device values on the device's medium, as absolute L*a*b*. */
    public static Transform toMeasuredLab(IccProfile device) {
        List<Stage> chain = new ArrayList<>(ProfileModel.toXyz(device, Intent.RELATIVE));
        chain.add(ProfileModel.whiteScale(device, true));
        return toLab(chain, device);
    }

    /** Measured L*a*b* (a scan, a chart) for a display: paper white as it is. */
    public static Transform measuredLabToDisplay(IccProfile display) {
        List<Stage> chain = new ArrayList<>(List.of(LAB_DECODE, new Stage.LabToXyz(), ProfileModel.whiteScale(display, false)));
        chain.addAll(ProfileModel.fromXyz(display, Intent.RELATIVE));
        return build(chain, ColourSpace.LAB, display.space());
    }

    /** The picture as this printer would lay it down, shown on a display. */
    public static Transform proof(IccProfile source, IccProfile printer, Intent intent, boolean bpc, ProofView view, IccProfile display) {
        List<Stage> chain = new ArrayList<>();
        join(chain, source, printer, intent, bpc);
        join(chain, printer, display, view.intent, view.bpc);
        return build(chain, source.space(), display.space());
    }

    /** The picture as this printer would lay it down, as absolute L*a*b*, or relative to its paper. */
    public static Transform proofToLab(IccProfile source, IccProfile printer, Intent intent, boolean bpc, boolean absolute) {
        List<Stage> chain = new ArrayList<>();
        join(chain, source, printer, intent, bpc);
        chain.addAll(ProfileModel.toXyz(printer, Intent.RELATIVE));
        if (absolute) {
            chain.add(ProfileModel.whiteScale(printer, true));
        }
        return toLab(chain, source);
    }

    /** L*a*b* relative to the medium as the printer attains it: there and back in its relative colorimetric intent. */
    static Transform roundTrip(IccProfile source, IccProfile printer) {
        return proofToLab(source, printer, Intent.RELATIVE, false, false);
    }

    private static void join(List<Stage> chain, IccProfile from, IccProfile to, Intent intent, boolean bpc) {
        chain.addAll(ProfileModel.toXyz(from, intent));
        if (intent == Intent.ABSOLUTE) {
            chain.add(ProfileModel.whiteScale(from, true));
            chain.add(ProfileModel.whiteScale(to, false));
        } else if (bpc) {
            double black = BlackPoint.ofSource(from, intent);
            double target = BlackPoint.ofDestination(to, intent);
            if (Math.abs(black - target) > 1e-6) {
                chain.add(BlackPoint.scaling(black, target));
            }
        }
        chain.addAll(ProfileModel.fromXyz(to, intent));
    }

    /** 16-bit L*a*b* codes of ICC.1:2022, 6.3.4.2: FFFF = 100; a*, b* from -128 to 127. */
    private static final Stage LAB_ENCODE = Stage.Linear.scale(1 / 100.0, 1 / 255.0, 1 / 255.0, 0, 128 / 255.0, 128 / 255.0);
    private static final Stage LAB_DECODE = Stage.Linear.scale(100, 255, 255, 0, -128, -128);

    private static Transform toLab(List<Stage> chain, IccProfile source) {
        chain.add(new Stage.XyzToLab());
        chain.add(LAB_ENCODE);
        return build(chain, source.space(), ColourSpace.LAB);
    }

    private static Transform build(List<Stage> chain, ColourSpace from, ColourSpace to) {
        return new Transform(simplified(chain).toArray(Stage[]::new), from, to);
    }

    /** Neighbouring matrices become one, a PCS conversion undone at once is dropped. */
    static List<Stage> simplified(List<Stage> chain) {
        List<Stage> out = new ArrayList<>();
        for (Stage stage : chain) {
            Optional<Stage> merged = out.isEmpty() ? Optional.empty() : merged(out.get(out.size() - 1), stage);
            if (merged.isPresent()) {
                out.set(out.size() - 1, merged.get());
            } else if (!out.isEmpty() && out.get(out.size() - 1) instanceof Stage.LabToXyz && stage instanceof Stage.XyzToLab) {
                out.remove(out.size() - 1);
            } else {
                out.add(stage);
            }
        }
        return out;
    }

    private static Optional<Stage> merged(Stage first, Stage second) {
        if (first instanceof Stage.Linear a && second instanceof Stage.Linear b) {
            double[] offset = wistel.core.colour.Matrix3.times(b.matrix(), a.offset());
            for (int i = 0; i < 3; i++) {
                offset[i] += b.offset()[i];
            }
            return Optional.of(new Stage.Linear(wistel.core.colour.Matrix3.product(b.matrix(), a.matrix()), offset));
        }
        return Optional.empty();
    }
}
