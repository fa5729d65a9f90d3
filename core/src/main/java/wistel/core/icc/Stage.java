package wistel.core.icc;

import wistel.core.colour.D50;

/**
 * One step of a chain. Device values are 0 to 1; L*a*b* and XYZ travel in their own units (L* 0 to 100; Y = 1 for white), so that no
 * stage has to know how a tag coded them.
 */
public sealed interface Stage {
    int inputs();

    int outputs();

    /** {@code out} may be {@code in}. */
    void apply(double[] in, double[] out);

    record Curves(Curve... curves) implements Stage {
        @Override
        public int inputs() {
            return curves.length;
        }

        @Override
        public int outputs() {
            return curves.length;
        }

        @Override
        public void apply(double[] in, double[] out) {
            for (int i = 0; i < curves.length; i++) {
                out[i] = curves[i].at(in[i]);
            }
        }
    }

    /** Three to three, row-major, then an offset. */
    record Linear(double[] matrix, double[] offset) implements Stage {
        @Override
        public int inputs() {
            return 3;
        }

        @Override
        public int outputs() {
            return 3;
        }

        @Override
        public void apply(double[] in, double[] out) {
            double x = in[0];
            double y = in[1];
            double z = in[2];
            for (int i = 0; i < 3; i++) {
                out[i] = matrix[3 * i] * x + matrix[3 * i + 1] * y + matrix[3 * i + 2] * z + offset[i];
            }
        }

        static Linear scale(double x, double y, double z, double dx, double dy, double dz) {
            return new Linear(new double[] {x, 0, 0, 0, y, 0, 0, 0, z}, new double[] {dx, dy, dz});
        }
    }

    record LabToXyz() implements Stage {
        @Override
        public int inputs() {
            return 3;
        }

        @Override
        public int outputs() {
            return 3;
        }

        @Override
        public void apply(double[] in, double[] out) {
            D50.labToXyz(in, out);
        }
    }

    record XyzToLab() implements Stage {
        @Override
        public int inputs() {
            return 3;
        }

        @Override
        public int outputs() {
            return 3;
        }

        @Override
        public void apply(double[] in, double[] out) {
            D50.xyzToLab(in, out);
        }
    }

    /** One gray value to a neutral in XYZ. */
    record GrayToXyz() implements Stage {
        @Override
        public int inputs() {
            return 1;
        }

        @Override
        public int outputs() {
            return 3;
        }

        @Override
        public void apply(double[] in, double[] out) {
            double y = in[0];
            out[0] = D50.X * y;
            out[1] = D50.Y * y;
            out[2] = D50.Z * y;
        }
    }

    /** The luminance of XYZ as one gray value. */
    record XyzToGray() implements Stage {
        @Override
        public int inputs() {
            return 3;
        }

        @Override
        public int outputs() {
            return 1;
        }

        @Override
        public void apply(double[] in, double[] out) {
            out[0] = in[1];
        }
    }

    /** A table of colours over a grid: the {@code CLUT} element of LUT tags. */
    record Clut(Grid grid) implements Stage {
        @Override
        public int inputs() {
            return grid.inputs();
        }

        @Override
        public int outputs() {
            return grid.outputs();
        }

        @Override
        public void apply(double[] in, double[] out) {
            grid.at(in, out);
        }
    }
}
