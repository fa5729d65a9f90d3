package wistel.core.icc.kernel;

/** One way to write the loops over a {@link ClutTable} and before it. All families give the same codes, within one of 16 bits. */
public interface KernelFamily {
    /** For people: what a log line or a measurement calls it. */
    String name();

    /** The cube read by interpolation. */
    Kernel over(ClutTable cube);

    /** Three channels of light to L*a*b* codes. */
    Kernel toLab(MatrixTrcToLab light);

    /** L*a*b* codes to three channels of light and through their curves. */
    Kernel fromLab(LabToLight light);

    /** Light to light, between curves. */
    Kernel between(MatrixCurves light);
}
