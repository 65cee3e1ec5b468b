using Yardang.Core.Media;

namespace Yardang.Core.Tests.Media;

/// <summary>What a sound or film is, its content decides; and nothing that is given out as one does any harm.</summary>
public class MediaFileTests
{
    private const int Mutations = 5_000;
    private const long MostMemory = 64 * 1024 * 1024;

    public static TheoryData<string> Names => [.. MadeUpFiles.All.Keys];

    [Theory]
    [InlineData("wav", MediaFormat.Wav, false, 2_000, "audio/wav")]
    [InlineData("mp3", MediaFormat.Mp3, false, 2_612, "audio/mpeg")]
    [InlineData("opus", MediaFormat.Ogg, false, 3_000, "audio/ogg")]
    [InlineData("vorbis", MediaFormat.Ogg, false, 4_000, "audio/ogg")]
    [InlineData("voice", MediaFormat.WebM, false, 1_980, "audio/webm")]
    [InlineData("film", MediaFormat.WebM, true, 980, "video/webm")]
    [InlineData("mp4", MediaFormat.Mp4, true, 5_000, "video/mp4")]
    [InlineData("fragments", MediaFormat.Mp4, false, 3_000, "audio/mp4")]
    public void A_whole_file_says_what_it_is_and_how_long(string name, MediaFormat format, bool isFilm, long duration, string type)
    {
        var file = MediaFile.Read(MadeUpFiles.All[name]);
        Assert.Equal((new MediaFile(format, isFilm, duration), type), (file!, file!.Type));
    }

    [Fact]
    public void How_long_it_is_counts_and_not_what_it_says_of_itself()
    {
        Assert.Equal(5_000, MediaFile.Read(MadeUpFiles.Mp4("avc1", seconds: 5, says: 1))!.Duration);
        Assert.Equal(2_000, MediaFile.Read(MadeUpFiles.Wav(seconds: 2, says: uint.MaxValue))!.Duration);
        Assert.Equal(2_612, MediaFile.Read(MadeUpFiles.Mp3(frames: 100, before: [.. "ID3"u8, 4, 0, 0, 0, 0, 1, 0, .. new byte[128]], behind: [.. "TAG"u8, .. new byte[125]]))!.Duration);
    }

    [Fact]
    public void What_was_cut_off_is_as_long_as_what_is_left()
    {
        var voice = MadeUpFiles.All["voice"];
        Assert.InRange(MediaFile.Read(voice.AsSpan(0, voice.Length / 2))!.Duration, 700, 1_300);
        var mp3 = MadeUpFiles.All["mp3"];
        Assert.InRange(MediaFile.Read(mp3.AsSpan(0, mp3.Length / 2))!.Duration, 1_200, 1_310);
    }

    [Fact]
    public void What_browsers_do_not_play_and_what_only_begins_like_a_sound_is_none()
    {
        byte[][] none =
        [
            [], [0], [.. "RIFF"u8], [.. "RIFF----WAVE"u8], [.. "OggS"u8, .. new byte[40]], [0xff, 0xfb, 0x90, 0x64], [0x1a, 0x45, 0xdf, 0xa3],
            [.. "<html><script>alert(1)</script>"u8], [.. "%PDF-1.7"u8], [.. "ID3"u8, .. new byte[2_000]],
            MadeUpFiles.WebM(["V_MPEG4/ISO/AVC"], blocks: 50), MadeUpFiles.WebM(["A_OPUS"], blocks: 50, type: "matroska"), MadeUpFiles.WebM(["A_OPUS"], blocks: 0), MadeUpFiles.WebM([], blocks: 50),
            MadeUpFiles.Mp4("hvc1", seconds: 5), MadeUpFiles.Mp4("avc1", seconds: 0), MadeUpFiles.Box("ftyp", [.. "isom"u8, 0, 0, 0, 0]),
            MadeUpFiles.Ogg([.. "fishead\0"u8, .. new byte[60]], 48_000), MadeUpFiles.Ogg([.. "OpusHead"u8, 1, 1, 0, 0, .. new byte[7]], 48_000, behind: 8),
            MadeUpFiles.Mp3(frames: 2), MadeUpFiles.Mp3(frames: 3, behind: new byte[5_000]),
        ];
        Assert.All(none, bytes => Assert.Null(MediaFile.Read(bytes)));
    }

    [Fact]
    public void Nothing_is_longer_than_a_day() => Assert.Null(MediaFile.Read(MadeUpFiles.Vorbis(seconds: 90_000, rate: 8_000)));

    [Theory]
    [MemberData(nameof(Names))]
    public void No_damage_does_any_harm(string name)
    {
        var (whole, chance) = (MadeUpFiles.All[name], new Random(20261201));
        for (var n = 0; n < Mutations; n++)
        {
            var damaged = Damaged(whole, chance);
            var before = GC.GetAllocatedBytesForCurrentThread();
            var read = MediaFile.Read(damaged);
            Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, MostMemory);
            if (read is not null) Assert.InRange(read.Duration, 1, MediaFile.Longest);
        }
    }

    private static byte[] Damaged(byte[] whole, Random chance)
    {
        var bytes = whole.ToList();
        for (var times = chance.Next(1, 12); times > 0; times--)
        {
            // Where a file says what it is, most harm can be done.
            var at = chance.Next(3) == 0 ? chance.Next(bytes.Count) : chance.Next(Math.Min(bytes.Count, 400));
            switch (chance.Next(6))
            {
                case 0: bytes[at] = (byte)chance.Next(256); break;
                case 1: bytes[at] = chance.Next(2) == 0 ? (byte)0 : (byte)255; break;
                case 2: for (var i = at; i < Math.Min(bytes.Count, at + 8); i++) bytes[i] = 255; break;
                case 3: bytes.RemoveRange(at, Math.Min(bytes.Count - at, chance.Next(1, 40))); break;
                case 4: bytes.InsertRange(at, bytes.Skip(chance.Next(bytes.Count)).Take(chance.Next(1, 60)).ToArray()); break;
                default: bytes.RemoveRange(at, bytes.Count - at); break;
            }

            if (bytes.Count == 0) bytes.Add(0);
        }

        return [.. bytes];
    }
}
