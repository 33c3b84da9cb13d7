package imperan.server.access;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The one key that devices on the network show once. Whoever guesses is slowed: after each wrong key an address has to wait twice
 * as long, up to half a minute. Used from several threads.
 */
public final class ShowKeys {

    static final long FIRST_WAIT_NANOS = 1_000_000_000L;
    static final long LONGEST_WAIT_NANOS = 32_000_000_000L;
    private static final int MAX_ADDRESSES = 1000;
    private static final int DIGITS = 8;

    private record Wrong(long waitNanos, long until) {}

    /** What came of showing a key. */
    public sealed interface Shown {
        /** @param pass to be shown from now on instead of the key */
        record Right(String pass) implements Shown {}

        record WrongKey() implements Shown {}

        /** Not even looked at: this address guessed too fast. */
        record Wait(long nanos) implements Shown {}
    }

    private final byte[] secret;
    private final Map<String, Wrong> wrong = new LinkedHashMap<>();
    private String key;

    /**
     * @param key    eight digits
     * @param secret of this installation; passes are made with it, so they hold over a restart
     */
    public ShowKeys(String key, byte[] secret) {
        this.key = key;
        this.secret = secret.clone();
    }

    /** A key nobody has used. */
    public static String fresh() {
        return String.format("%0" + DIGITS + "d", new SecureRandom().nextInt(100_000_000));
    }

    public synchronized String key() {
        return key;
    }

    /** From now on only this key counts; passes made with the one before are void. */
    public synchronized void change(String next) {
        key = next;
        wrong.clear();
    }

    /** Somebody shows a key. Blanks and hyphens in it do not count. */
    public synchronized Shown show(String address, String shown, long now) {
        Wrong before = wrong.get(address);
        if (before != null && now < before.until()) {
            return new Shown.Wait(before.until() - now);
        }
        if (MessageDigest.isEqual(
                shown.replaceAll("[\\s-]", "").getBytes(StandardCharsets.UTF_8),
                key.getBytes(StandardCharsets.UTF_8))) {
            wrong.remove(address);
            return new Shown.Right(pass());
        }
        long wait = before == null ? FIRST_WAIT_NANOS : Math.min(LONGEST_WAIT_NANOS, 2 * before.waitNanos());
        wrong.remove(address);
        wrong.put(address, new Wrong(wait, now + wait));
        if (wrong.size() > MAX_ADDRESSES) {
            wrong.remove(wrong.keySet().iterator().next());
        }
        return new Shown.WrongKey();
    }

    /** Is this a pass of the key that counts now? */
    public synchronized boolean admits(String pass) {
        return MessageDigest.isEqual(pass.getBytes(StandardCharsets.UTF_8), pass().getBytes(StandardCharsets.UTF_8));
    }

    private String pass() {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update(secret);
            return HexFormat.of().formatHex(digest.digest(key.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
