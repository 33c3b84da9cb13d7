package imperan.dialect;

import imperan.address.AddressText;
import java.util.Optional;

/** The way in which one protocol writes, checks, encodes and reads lines. Others than those that ship with Imperan are found as services ({@link java.util.ServiceLoader}). */
public interface Dialect {

    /** As show files say it: lower case letters, digits and hyphens. */
    String id();

    /** For people, in a few words. */
    String called();

    /** What is wrong with an address; empty where it is one. */
    Optional<AddressText.Fault> fault(String address);

    /** Whether an address counts even where no phrase has it. */
    boolean isOrdinary(String address);

    /** Whether an address that arrives can mean several: it is a pattern then, as OSC has them. */
    boolean hasPatterns();

    /** Whether messages of one moment can leave in one packet. */
    boolean hasBundles();

    /** What writes and reads for one link, with nothing written or read yet. */
    Codec codec();
}
