package wistel.core.icc.stage;

import java.util.Arrays;
import wistel.core.colour.D50;
import wistel.core.colour.Matrix3;

/**
 * One step of a chain. Device values are 0 to 1; L*a*b* and XYZ travel in their own units (L* 0 to 100; Y = 1 for white), so that no
 * stage has to know how a tag coded them.
 */
public sealed interface Stage {

    /**
     * A block of pixels in place.
     *
     * @param work   pixel p's values from {@code p * stride} on
     * @param stride room for one pixel, at least the larger of the stage's channel counts
     */
    void apply(double[] work, int stride, int pixels);

    /** True when it changes nothing. */
    default boolean isIdentity() {
        return false;
    }

    /** One curve for each channel. */
    record Curves(Curve... curves) implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int c = 0; c < curves.length; c++) {
                curves[c].apply(work, c, stride, pixels);
            }
        }

        @Override
        public boolean isIdentity() {
            return Arrays.stream(curves).allMatch(Curve::isIdentity);
        }
    }

    /** Three to three, row-major, then an offset. */
    record Linear(double[] matrix, double[] offset) implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            double[] m = matrix;
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                double x = work[at];
                double y = work[at + 1];
                double z = work[at + 2];
                work[at] = m[0] * x + m[1] * y + m[2] * z + offset[0];
                work[at + 1] = m[3] * x + m[4] * y + m[5] * z + offset[1];
                work[at + 2] = m[6] * x + m[7] * y + m[8] * z + offset[2];
            }
        }

        @Override
        public boolean isIdentity() {
            for (int i = 0; i < 9; i++) {
                if (Math.abs(matrix[i] - (i % 4 == 0 ? 1 : 0)) > 1e-9) {
                    return false;
                }
            }
            return Arrays.stream(offset).allMatch(v -> Math.abs(v) < 1e-9);
        }

        /** This and then another, as one. */
        public Linear then(Linear next) {
            double[] both = Matrix3.times(next.matrix, offset);
            for (int i = 0; i < 3; i++) {
                both[i] += next.offset[i];
            }
            return new Linear(Matrix3.product(next.matrix, matrix), both);
        }

        public static Linear scale(double x, double y, double z, double dx, double dy, double dz) {
            return new Linear(new double[] {x, 0, 0, 0, y, 0, 0, 0, z}, new double[] {dx, dy, dz});
        }
    }

    /** CIE 15:2018, 8.2.1.2, D50. */
    record LabToXyz() implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                D50.labToXyz(work, at);
            }
        }
    }

    /** CIE 15:2018, 8.2.1.1, D50. */
    record XyzToLab() implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                D50.xyzToLab(work, at);
            }
        }
    }

    /** One gray value to the neutral of that luminance in XYZ. */
    record GrayToXyz() implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                double y = work[at];
                work[at] = D50.X * y;
                work[at + 1] = D50.Y * y;
                work[at + 2] = D50.Z * y;
            }
        }
    }

    /** The luminance of XYZ as one gray value. */
    record XyzToGray() implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                work[at] = work[at + 1] / D50.Y;
            }
        }
    }

    /** One gray value as a neutral's lightness: a gray profile whose connection space is L*a*b*. */
    record GrayToLab() implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                work[at] *= 100;
                work[at + 1] = 0;
                work[at + 2] = 0;
            }
        }
    }

    /** Lightness as one gray value. */
    record LabToGray() implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                work[at] /= 100;
            }
        }
    }

    /** A table of colours over a grid: the CLUT element of LUT tags. */
    record Clut(ClutGrid grid, Interpolation interpolation) implements Stage {
        /** The interpolation for the grid's number of inputs. */
        public Clut(ClutGrid grid) {
            this(grid, Interpolation.forInputs(grid.inputs()));
        }

        @Override
        public void apply(double[] work, int stride, int pixels) {
            interpolation.apply(grid, work, stride, pixels);
        }
    }

    /** A change of L*a*b* that is no profile's. */
    record OnLab(LabFunction function) implements Stage {
        @Override
        public void apply(double[] work, int stride, int pixels) {
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                function.apply(work, at);
            }
        }
    }
}
