using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;
using Yardang.Data.Wire;
using Yardang.WireMaker;

namespace Yardang.Core.Tests.Wire;

/// <summary>The wire is declared once, beside Core's records: all that follows from them is fresh, and what is written can be read.</summary>
public class WireFilesTests
{
    private static readonly Declarations s_declarations = Declarations.Of();

    [Fact]
    public void Codec_browser_types_and_protocol_tables_are_those_that_follow_from_the_records()
    {
        foreach (var (path, text) in WireFiles.All(Path.Combine(GoldenTests.Folder, "..", "..")))
        {
            Assert.True(string.Equals(text, File.ReadAllText(path), StringComparison.Ordinal), $"{Path.GetFileName(path)} is not fresh: run ./yardang wire.");
        }
    }

    [Fact]
    public void Every_kind_of_event_is_read_as_it_was_written()
    {
        for (var seed = 0; seed < 40; seed++)
        {
            foreach (var (_, sample) in new WireSamples(s_declarations, new Random(seed)).Of(typeof(RoomEvent)))
            {
                var bytes = EventCodec.Encode(new Envelope(7, 1_000, Actor.Owner, 3, 4, 5, Audience.Staff, (RoomEvent)sample));
                var read = EventCodec.Decode(bytes);
                Assert.Equal(sample.GetType(), read.Event.GetType());
                Assert.Equal(bytes, EventCodec.Encode(read));
            }
        }
    }

    [Fact]
    public void Every_kind_of_command_is_read_as_it_was_written()
    {
        for (var seed = 0; seed < 40; seed++)
        {
            foreach (var (_, sample) in new WireSamples(s_declarations, new Random(seed)).Of(typeof(Command)))
            {
                var bytes = CommandCodec.Encode(new Submission(3, 4, 2, 5, (Command)sample));
                var (read, refusal, _, _) = CommandCodec.Decode(bytes);
                Assert.Null(refusal);
                Assert.Equal(sample.GetType(), read!.Command.GetType());
                Assert.Equal(bytes, CommandCodec.Encode(read));
            }
        }
    }

    [Fact]
    public void A_damaged_command_is_read_or_refused_and_nothing_else_happens()
    {
        var random = new Random(7);
        byte[][] hostile = [[0xdb, 0xff, 0xff, 0xff, 0xff], [0xdd, 0xff, 0xff, 0xff, 0xff], [0xc6, 0xff, 0xff, 0xff, 0xff], [0xcf, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff], [0xc1], [0xc0], []];
        foreach (var (_, sample) in new WireSamples(s_declarations, random).Of(typeof(Command)))
        {
            var bytes = CommandCodec.Encode(new Submission(3, 4, 2, 5, (Command)sample));
            for (var times = 0; times < 60; times++)
            {
                var at = random.Next(bytes.Length);
                byte[] damaged = [.. bytes[..at], .. hostile[random.Next(hostile.Length)], .. bytes[Math.Min(bytes.Length, at + random.Next(3))..]];
                var (read, refusal, _, _) = CommandCodec.Decode(damaged);
                Assert.True(read is null != refusal is null);
            }
        }
    }

    [Fact]
    public void A_made_up_event_needs_its_record_and_nothing_else_to_be_on_the_wire()
    {
        var declarations = Declarations.Of(typeof(BellRung));
        var codec = WireFiles.CSharp(declarations);
        Assert.Contains("990 => ReadBellRung(ref r),", codec);
        Assert.Contains("case Yardang.Core.Tests.Wire.WireFilesTests+BellRung v: Write(ref w, v); break;", codec);
        var browser = WireFiles.TypeScript(declarations);
        Assert.Contains("  readonly kind: 'bellRung';\n  readonly person: number;\n  readonly words?: readonly Words[] | null;\n", browser["forms"]);
        Assert.Contains("    words: raw[1] == null ? null : raw[1].map((x: Raw) => readWords(x)),\n", browser["codec"]);
        Assert.Contains("    990: readBellRung,\n", browser["codec"]);
    }

    [Fact]
    public void A_page_of_one_kind_of_room_reads_nothing_of_the_other()
    {
        var browser = WireFiles.TypeScript(s_declarations);
        Assert.Contains("function readCard(", browser["walls-codec"]);
        Assert.Contains("function readMark(", browser["pages-codec"]);
        Assert.DoesNotContain("function readCard(", browser["codec"] + browser["pages-codec"]);
        Assert.DoesNotContain("function readMark(", browser["codec"] + browser["walls-codec"]);
        Assert.DoesNotContain("from './pages-codec'", browser["codec"] + browser["walls-codec"]);
        Assert.DoesNotContain("from './walls-codec'", browser["codec"] + browser["pages-codec"]);
    }

    [Fact]
    public void Two_events_of_one_kind_are_found_before_they_are_written()
    {
        var fault = Assert.Throws<InvalidOperationException>(() => Declarations.Of(typeof(BellRung), typeof(GongRung)));
        Assert.Contains("same kind", fault.Message);
    }

    [Fact]
    public void An_event_without_a_kind_is_found()
    {
        var fault = Assert.Throws<InvalidOperationException>(() => Declarations.Of(typeof(Unnumbered)));
        Assert.Contains("has no kind", fault.Message);
    }

    [Kind(990)]
    private sealed record BellRung(int Person, [Since(2)] ImmutableArray<Words>? Words = null) : RoomEvent;

    [Kind(990)]
    private sealed record GongRung : RoomEvent;

    private sealed record Unnumbered : RoomEvent;
}
