package wistel.core.colour;

import java.util.ArrayList;
import java.util.List;

/**
 * Spectral reflectance in even steps of wavelength.
 *
 * @param values 1 for the perfect diffuser; more where a paper's whiteners shine
 */
public record Reflectance(int firstNm, int stepNm, List<Double> values) {
    /** @throws IllegalArgumentException without two values or a step, or where a value isn't finite */
    public Reflectance {
        values = List.copyOf(values);
        if (stepNm < 1 || values.size() < 2 || !values.stream().allMatch(v -> Math.abs(v) < 100)) {
            throw new IllegalArgumentException(values.size() + " values from " + firstNm + " nm by " + stepNm);
        }
    }

    /** Whether it is told for the same wavelengths. */
    public boolean like(Reflectance other) {
        return firstNm == other.firstNm && stepNm == other.stepNm && values.size() == other.values.size();
    }

    /**
     * The mean of several readings.
     *
     * @throws IllegalArgumentException without any, or where they are for different wavelengths
     */
    public static Reflectance mean(List<Reflectance> all) {
        if (all.isEmpty() || !all.stream().allMatch(all.get(0)::like)) {
            throw new IllegalArgumentException(all.size() + " readings of different wavelengths");
        }
        List<Double> mean = new ArrayList<>();
        for (int i = 0; i < all.get(0).values.size(); i++) {
            int at = i;
            mean.add(all.stream().mapToDouble(r -> r.values.get(at)).average().orElseThrow());
        }
        return new Reflectance(all.get(0).firstNm, all.get(0).stepNm, mean);
    }

    /** Under D50, 2 degree observer. */
    public Lab lab() {
        return Lab.ofXyz(Spectrum.xyz(firstNm, stepNm, values.stream().mapToDouble(Double::doubleValue).toArray()));
    }
}
