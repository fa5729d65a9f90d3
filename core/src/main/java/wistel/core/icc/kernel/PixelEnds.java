package wistel.core.icc.kernel;

/** Interleaved 16-bit pixels to one plane of codes for each channel, and back. */
public interface PixelEnds {
    void split(char[] in, int at, int[][] planes, int count);

    void join(int[][] planes, char[] out, int at, int count);

    PixelEnds PLAIN = new PixelEnds() {
        @Override
        public void split(char[] in, int at, int[][] planes, int count) {
            if (planes.length == 3) {
                split3(in, at, planes[0], planes[1], planes[2], count);
                return;
            }
            if (planes.length == 4) {
                split4(in, at, planes[0], planes[1], planes[2], planes[3], count);
                return;
            }
            for (int c = 0; c < planes.length; c++) {
                split(in, at + c, planes[c], planes.length, count);
            }
        }

        private void split(char[] in, int at, int[] plane, int channels, int count) {
            for (int p = 0, i = at; p < count; p++, i += channels) {
                plane[p] = in[i];
            }
        }

        private void split3(char[] in, int at, int[] x, int[] y, int[] z, int count) {
            for (int p = 0, i = at; p < count; p++, i += 3) {
                x[p] = in[i];
                y[p] = in[i + 1];
                z[p] = in[i + 2];
            }
        }

        private void split4(char[] in, int at, int[] k, int[] x, int[] y, int[] z, int count) {
            for (int p = 0, i = at; p < count; p++, i += 4) {
                k[p] = in[i];
                x[p] = in[i + 1];
                y[p] = in[i + 2];
                z[p] = in[i + 3];
            }
        }

        @Override
        public void join(int[][] planes, char[] out, int at, int count) {
            if (planes.length == 3) {
                join3(planes[0], planes[1], planes[2], out, at, count);
                return;
            }
            for (int c = 0; c < planes.length; c++) {
                join(planes[c], out, at + c, planes.length, count);
            }
        }

        private void join(int[] plane, char[] out, int at, int channels, int count) {
            for (int p = 0, o = at; p < count; p++, o += channels) {
                out[o] = (char) plane[p];
            }
        }

        private void join3(int[] x, int[] y, int[] z, char[] out, int at, int count) {
            for (int p = 0, o = at; p < count; p++, o += 3) {
                out[o] = (char) x[p];
                out[o + 1] = (char) y[p];
                out[o + 2] = (char) z[p];
            }
        }
    };
}
