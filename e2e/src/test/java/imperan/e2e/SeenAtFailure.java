package imperan.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Where a test fails, what its devices show is kept in {@code target/failures}, as a picture and as HTML. */
final class SeenAtFailure implements AfterTestExecutionCallback {

    @Override
    public void afterTestExecution(ExtensionContext test) throws IOException {
        if (test.getExecutionException().isPresent()) {
            Path folder = Files.createDirectories(Path.of("target/failures"));
            String name = test.getRequiredTestClass().getSimpleName() + "."
                    + test.getRequiredTestMethod().getName();
            Chromium.keepWhatIsSeen(folder, name);
        }
    }
}
