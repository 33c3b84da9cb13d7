package imperan.standins;

import imperan.osc.OscMessage;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Everything of a device that has a value, by address. */
final class Registers {

    private final Map<String, Register> byAddress = new LinkedHashMap<>();

    Register add(Register register) {
        byAddress.put(register.address, register);
        return register;
    }

    Optional<Register> at(String address) {
        return Optional.ofNullable(byAddress.get(address));
    }

    Register get(String address) {
        return at(address).orElseThrow();
    }

    Collection<Register> all() {
        return byAddress.values();
    }

    /** A value as a message. */
    static OscMessage report(Register register) {
        return new OscMessage(register.address, register.values());
    }
}
