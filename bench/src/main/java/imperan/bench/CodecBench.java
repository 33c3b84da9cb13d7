package imperan.bench;

import com.illposed.osc.BufferBytesReceiver;
import com.illposed.osc.OSCMessage;
import com.illposed.osc.OSCPacket;
import com.illposed.osc.OSCParser;
import com.illposed.osc.OSCSerializer;
import com.illposed.osc.OSCSerializerAndParserBuilder;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** One message with one float, encoded and decoded by ours and by an independent library. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
public class CodecBench {

    private static final String ADDRESS = "/bellows/in/1/level";

    private final OscMessage ours = OscMessage.of(ADDRESS, new OscArgument.Float32(0.75f));
    private final byte[] out = new byte[256];
    private final byte[] packet = OscEncoder.encode(ours);
    private final OscDecoder decoder = new OscDecoder();

    private OSCMessage theirs;
    private ByteBuffer theirOut;
    private OSCSerializer serializer;
    private OSCParser parser;

    /** Everything that can be made once is made once, for both. */
    @Setup
    public void theirs() {
        OSCSerializerAndParserBuilder builder = new OSCSerializerAndParserBuilder();
        theirs = new OSCMessage(ADDRESS, List.of(0.75f));
        theirOut = ByteBuffer.allocate(256);
        serializer = builder.buildSerializer(new BufferBytesReceiver(theirOut));
        parser = builder.buildParser();
    }

    @Benchmark
    public int encodeOurs() {
        return OscEncoder.encode(ours, out, 0);
    }

    @Benchmark
    public int encodeTheirs() throws Exception {
        theirOut.clear();
        serializer.write(theirs);
        return theirOut.position();
    }

    @Benchmark
    public Decoded decodeOurs() {
        return decoder.decode(packet);
    }

    @Benchmark
    public OSCPacket decodeTheirs() throws Exception {
        return parser.convert(ByteBuffer.wrap(packet).asReadOnlyBuffer());
    }
}
