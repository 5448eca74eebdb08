package buckle.e2e;

import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Prints what the pages showed when a test failed: what another machine met once is seldom met again here. */
public final class ShownOnFailure implements AfterTestExecutionCallback {
    @Override
    public void afterTestExecution(ExtensionContext test) {
        if (test.getExecutionException().isPresent()) {
            System.out.println(test.getDisplayName() + " failed, and pages showed:");
            Browser.shown().forEach(System.out::println);
        }
    }
}
