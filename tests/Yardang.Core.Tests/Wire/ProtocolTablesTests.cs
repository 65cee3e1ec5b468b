using System.Globalization;
using System.Text;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Wire;

/// <summary>
/// The tables of numbers in docs/protocol.md say what the program says. Written anew with YARDANG_GOLDEN=write.
/// </summary>
public class ProtocolTablesTests
{
    private const string Begin = "<!-- tables: written by ProtocolTablesTests -->";
    private const string End = "<!-- end of tables -->";

    [Fact]
    public void The_tables_of_the_protocol_are_those_of_the_program()
    {
        var file = Path.Combine(GoldenTests.Folder, "..", "..", "docs", "protocol.md");
        var text = File.ReadAllText(file);
        var (from, to) = (text.IndexOf(Begin, StringComparison.Ordinal), text.IndexOf(End, StringComparison.Ordinal));
        Assert.True(from > 0 && to > from, "docs/protocol.md has no place for the tables.");
        var fresh = text[..from] + Begin + "\n\n" + Tables() + text[to..];
        if (string.Equals(Environment.GetEnvironmentVariable("YARDANG_GOLDEN"), "write", StringComparison.Ordinal)) File.WriteAllText(file, fresh);
        Assert.Equal(fresh, File.ReadAllText(file));
    }

    private static string Tables()
    {
        var text = new StringBuilder();
        Table(text, "Reasons of refusals", Enum.GetValues<Refusal>().Select(r => ((int)r, Words(r.ToString()))));
        Table(text, "Looks of marks (flags of a style)", Enum.GetValues<Looks>().Select(l => ((int)l, Words(l.ToString()))));
        Table(text, "Tools that a page can withhold (flags)", Enum.GetValues<ToolSet>().Select(t => ((int)t, Words(t.ToString()))));
        Table(text, "Kinds of paper", Enum.GetValues<PaperKind>().Select(k => ((int)k, Words(k.ToString()))));
        Table(text, "Properties of changes", Enum.GetValues<Property>().Select(p => ((int)p, Words(p.ToString()))));
        Colours(text, "ink", Palette.Ink);
        Colours(text, "highlighter", Palette.Highlighter);
        Colours(text, "note, and fill less one", Palette.Note);
        text.Append(CultureInfo.InvariantCulture, $"Printed words are #{Palette.Print:x6}, teachers' ink is #{Palette.TeacherInk:x6} whatever the number.\n\n");
        text.Append("**Stamps**, by name: ").AppendJoin(", ", Stamps.All.Select(s => s.Name)).Append(".\n\n");
        return text.ToString();
    }

    private static void Table(StringBuilder text, string title, IEnumerable<(int Number, string Words)> rows) =>
        text.Append(CultureInfo.InvariantCulture, $"**{title}**: ").AppendJoin(", ", rows.OrderBy(r => r.Number).Select(r => $"{r.Number} {r.Words}")).Append(".\n\n");

    private static void Colours(StringBuilder text, string of, IEnumerable<int> colours) =>
        text.Append(CultureInfo.InvariantCulture, $"**Colours of {of}**, from 0: ").AppendJoin(", ", colours.Select(c => $"#{c:x6}")).Append(".\n\n");

    // "LooseOnlyMoves": "loose only moves".
    private static string Words(string name) => string.Concat(name.Select((c, i) => char.IsUpper(c) && i > 0 ? $" {char.ToLowerInvariant(c)}" : $"{char.ToLowerInvariant(c)}"));
}
