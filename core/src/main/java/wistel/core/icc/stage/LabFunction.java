package wistel.core.icc.stage;

/** A function of a colour that is no profile's: L*a*b* (D50) to L*a*b*, in place. Equal ones change colours alike. */
public interface LabFunction {
    /** Three values from {@code at} on. */
    void apply(double[] lab, int at);
}
