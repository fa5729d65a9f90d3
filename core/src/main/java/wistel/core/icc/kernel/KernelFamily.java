package wistel.core.icc.kernel;

/** One way to write the loops over a {@link ClutTable} and before it. All families give the same codes. */
public interface KernelFamily {
    /** For people: what a log line or a measurement calls it. */
    String name();

    /** The cube read by interpolation. */
    Kernel over(ClutTable cube);

    /** Three channels of light to L*a*b* codes. */
    Kernel toLab(MatrixTrcToLab light);

    /** L*a*b* codes to three channels of light and through their curves. */
    Kernel fromLab(LabToLight light);

    /** L*a*b* codes to light by way of Oklab. */
    Kernel moved(OklabMoves moves);

    /** L*a*b* codes to codes of lightness by way of Oklab. */
    Kernel mixed(OklabMix mix);

    /** Light to light, between curves. */
    Kernel between(MatrixCurves light);
}
