using System.Text.Json;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Wire;

/// <summary>
/// What the first version of the program wrote can be read for good. The files in tests/golden/v1 are never written anew: if a test
/// here fails, the reader has to learn the old form again.
/// </summary>
public class FrozenLogTests
{
    private sealed record Frozen(string Version, string[] Events, string[] Marks);

    [Fact]
    public void A_board_of_version_1_opens_as_it_was()
    {
        var frozen = Read();
        var board = new Board(ActivityJson.Read(Convert.FromBase64String(frozen.Version)));
        foreach (var payload in frozen.Events) board.Apply(EventCodec.Decode(Convert.FromBase64String(payload)));
        Assert.Equal(frozen.Marks, board.Sheets.Marks.Values.OrderBy(m => m.Id).Select(Line));
    }

    internal static string Line(Mark m) => string.Create(
        System.Globalization.CultureInfo.InvariantCulture,
        $"{m.Id} page {m.Page} by {m.Author}{(m.ByStaff ? " (staff)" : "")} {m.Grip} order {m.Order} at {m.Place.X},{m.Place.Y},{m.Place.Turn} colour {m.Style.Colour} width {m.Style.Width} cuts {string.Join(' ', m.Cuts)} {(m.Erased ? "erased" : "")} {Kind(m.Body)}");

    private static string Kind(MarkBody body) => body switch
    {
        InkBody ink => $"ink {string.Join(' ', ink.Points.Select(p => $"{p.X},{p.Y},{p.Pressure},{p.Ms}"))}",
        TextBody text => $"text {text.Words.Text}",
        NoteBody note => $"note {note.Words.Text} {note.Width}x{note.Height}",
        _ => "",
    };

    private static Frozen Read() => JsonSerializer.Deserialize<Frozen>(File.ReadAllText(Path.Combine(GoldenTests.Folder, "v1", "board.json")))!;
}
