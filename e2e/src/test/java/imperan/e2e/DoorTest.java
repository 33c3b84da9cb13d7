package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.ByteArrayInputStream;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import org.junit.jupiter.api.Test;

/** The network is shut out, let in encrypted, and shut out again. */
class DoorTest extends InstalledTest {

    /** A client that trusts nothing but the certificate which Imperan offers for download. */
    private static HttpClient trusting(byte[] certificate) throws Exception {
        X509Certificate own = (X509Certificate)
                CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(certificate));
        KeyStore store = KeyStore.getInstance(KeyStore.getDefaultType());
        store.load(null, null);
        store.setCertificateEntry("imperan", own);
        TrustManagerFactory trust = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        trust.init(store);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, trust.getTrustManagers(), null);
        return HttpClient.newBuilder().sslContext(context).build();
    }

    @Test
    void theDoorOpensEncryptedAndShutsAgain() throws Exception {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/rig/machine"));
        assertThat(page.getByText("Only this machine can open Imperan now")).isVisible();
        page.getByRole(AriaRole.SWITCH).click();
        assertThat(page.getByText("the network is let in")).isVisible();
        assertThat(page.getByText("The show key, asked once of each device")).isVisible();
        // another device opens this page while the network is let in
        Page other = chromium.device("Ben");
        other.navigate(imperan.url("/#/rig/machine"));
        assertThat(other.getByText("the network is let in")).isVisible();
        assertThat(other.getByRole(AriaRole.SWITCH)).isChecked();
        assertThat(other.getByText("The show key, asked once of each device")).isVisible();
        other.context().close();

        String door = Chromium.get(page, imperan.url("/api/network")).text();
        Matcher port = Pattern.compile("\"port\":(\\d+)").matcher(door);
        assertThat(port.find()).isTrue();
        URI address = URI.create("https://127.0.0.1:" + port.group(1) + "/api/health");
        byte[] certificate =
                Chromium.get(page, imperan.url("/api/network/certificate")).body();
        HttpClient client = trusting(certificate);
        HttpResponse<String> health =
                client.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(health.body()).contains("\"status\":\"up\"");

        page.getByRole(AriaRole.SWITCH).click();
        assertThat(page.getByText("Only this machine can open Imperan now")).isVisible();
        assertThatThrownBy(() -> trusting(certificate)
                        .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString()))
                .isInstanceOf(ConnectException.class);
        page.context().close();
    }
}
