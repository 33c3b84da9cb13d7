package imperan.server.store;

import java.io.IOException;
import java.io.OutputStream;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Captures of shows, in pieces. */
@Repository
public class CaptureStore {

    /** Of one show. */
    public static final int MOST = 50;

    /** @param bytes of its file */
    public record CaptureInfo(String id, String name, OffsetDateTime startedAt, long packets, long bytes) {}

    record Piece(byte[] bytes) {}

    @Mapper
    interface CaptureMapper {

        @Insert("insert into capture (id, show_id, name) values (#{id}, #{showId}, #{name})")
        void insert(@Param("id") String id, @Param("showId") String showId, @Param("name") String name);

        @Insert("insert into capture_piece (capture_id, number, bytes) values (#{id}, #{number}, #{bytes})")
        void append(@Param("id") String id, @Param("number") int number, @Param("bytes") byte[] bytes);

        @Update("update capture set packets = packets + #{packets}, bytes = bytes + #{bytes} where id = #{id}")
        int count(@Param("id") String id, @Param("packets") long packets, @Param("bytes") long bytes);

        @Select(
                "select id, name, started_at, packets, bytes from capture where show_id = #{showId} order by started_at desc, id")
        List<CaptureInfo> all(@Param("showId") String showId);

        @Select("select id, name, started_at, packets, bytes from capture where show_id = #{showId} and id = #{id}")
        Optional<CaptureInfo> one(@Param("showId") String showId, @Param("id") String id);

        @Select("select bytes from capture_piece where capture_id = #{id} and number = #{number}")
        Optional<Piece> piece(@Param("id") String id, @Param("number") int number);

        @Update("update capture set name = #{name} where show_id = #{showId} and id = #{id}")
        int rename(@Param("showId") String showId, @Param("id") String id, @Param("name") String name);

        @Delete("delete from capture where show_id = #{showId} and id = #{id}")
        int remove(@Param("showId") String showId, @Param("id") String id);
    }

    private final CaptureMapper mapper;

    CaptureStore(CaptureMapper mapper) {
        this.mapper = mapper;
    }

    /** @return its id */
    public String begin(String showId, String name) {
        String id = UUID.randomUUID().toString();
        mapper.insert(id, showId, name);
        return id;
    }

    /**
     * Adds a piece of its file.
     *
     * @param number  counts the pieces from 0
     * @param packets that are in it
     * @return false where the capture is no longer there
     */
    @Transactional
    public boolean append(String id, int number, byte[] bytes, long packets) {
        if (mapper.count(id, packets, bytes.length) == 0) {
            return false;
        }
        mapper.append(id, number, bytes);
        return true;
    }

    /** The newest first. */
    public List<CaptureInfo> all(String showId) {
        return mapper.all(showId);
    }

    public Optional<CaptureInfo> one(String showId, String id) {
        return mapper.one(showId, id);
    }

    /** Writes the file of a capture. */
    public void write(String id, OutputStream to) throws IOException {
        int number = 0;
        for (Optional<Piece> piece = mapper.piece(id, 0); piece.isPresent(); piece = mapper.piece(id, ++number)) {
            to.write(piece.get().bytes());
        }
    }

    public boolean rename(String showId, String id, String name) {
        return mapper.rename(showId, id, name) == 1;
    }

    public boolean remove(String showId, String id) {
        return mapper.remove(showId, id) == 1;
    }
}
