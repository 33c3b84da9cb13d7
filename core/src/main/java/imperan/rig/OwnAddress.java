package imperan.rig;

import java.util.List;

/** One of our addresses, and the adapter that has it. */
public record OwnAddress(String adapter, Ipv4 address) {

    /** Our addresses in the networks that an address lies in: those from which it is reached without a router. */
    public static List<OwnAddress> reaching(Ipv4 address, List<Adapter> adapters) {
        return adapters.stream()
                .flatMap(adapter -> adapter.reaching(address).stream()
                        .map(prefix -> new OwnAddress(adapter.name(), prefix.address())))
                .toList();
    }
}
