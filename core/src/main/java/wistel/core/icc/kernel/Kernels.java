package wistel.core.icc.kernel;

import java.util.ServiceConfigurationError;
import java.util.ServiceLoader;

/** Chooses the family of loops once: the first that says it can run on this JVM and machine, else the scalar one. */
public final class Kernels {
    /** Set to {@code scalar} to leave vector units alone. */
    public static final String PROPERTY = "wistel.kernels";
    public static final KernelFamily SCALAR = new ScalarKernels();

    private Kernels() {
    }

    /** Chosen when it is first asked for: trying vector loops takes processor time in the background. */
    private static final class Best {
        private static final KernelFamily FAMILY = choose();
    }

    public static KernelFamily best() {
        return Best.FAMILY;
    }

    private static KernelFamily choose() {
        if ("scalar".equals(System.getProperty(PROPERTY))) {
            return SCALAR;
        }
        try {
            return ServiceLoader.load(KernelFamily.class, Kernels.class.getClassLoader()).findFirst().orElse(SCALAR);
        } catch (ServiceConfigurationError | LinkageError e) {
            // a JVM without vector units, or with another form of them than the loops were compiled for
            return SCALAR;
        }
    }
}
