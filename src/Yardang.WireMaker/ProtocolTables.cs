using System.Globalization;
using System.Text;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Attachments;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.WireMaker;

/// <summary>The tables of the protocol document.</summary>
internal sealed class ProtocolTables(Declarations declarations)
{
    private const string Begin = "<!-- tables: written by ./yardang wire -->";
    private const string End = "<!-- end of tables -->";

    private readonly StringBuilder _text = new();

    /// <summary>The document with its tables as they are now.</summary>
    public string In(string document)
    {
        var (from, to) = (document.IndexOf(Begin, StringComparison.Ordinal), document.IndexOf(End, StringComparison.Ordinal));
        if (from < 0 || to < from) throw new InvalidOperationException("docs/protocol.md has no place for the tables.");
        return document[..from] + Begin + "\n\n" + Tables() + document[to..];
    }

    private string Tables()
    {
        Line("Fields in round brackets came later: they are left out if all of them, and of those behind them, are as usual. `x?` may be nil, `x -1` is -1 where there is none, `x ...` is any number of them.\n");
        Kinds("Commands", declarations.FamilyOf(typeof(Command)));
        Kinds("Events", declarations.FamilyOf(typeof(RoomEvent)));
        Kinds("Bodies of marks, kind and fields in one array", declarations.FamilyOf(typeof(MarkBody)));
        Kinds("Attachments, kind and fields in one array", declarations.FamilyOf(typeof(Attachment)));
        Kinds("Changes, `[property, target, ...]`", declarations.FamilyOf(typeof(Change)));
        Kinds("States in snapshots", declarations.FamilyOf(typeof(RoomSnapshot)));
        Records();
        foreach (var type in declarations.Enums.Append(typeof(Refusal)).Where(t => t != typeof(Property))) Numbers(type);
        Colours("ink", Palette.Ink);
        Colours("highlighter", Palette.Highlighter);
        Colours("note, and fill less one", Palette.Note);
        Line(string.Create(CultureInfo.InvariantCulture, $"Printed words are #{Palette.Print:x6}, teachers' ink is #{Palette.TeacherInk:x6} whatever the number.\n"));
        Line($"**Stamps**, by name: {string.Join(", ", Stamps.All.Select(s => s.Name))}.\n");
        return _text.ToString();
    }

    private void Kinds(string title, Family family)
    {
        Line($"**{title}**\n\n| kind | fields | |\n|---|---|---|");
        foreach (var (kind, shape) in family.Members)
        {
            var head = family.Head.Select(h => Wording.Words(h.Name));
            var said = string.Join(' ', new[] { Wording.Of(shape.Type) }.Concat(shape.Fields.Select(f => (f.Name, Said: Wording.Of(shape.Type, f.Name))).Where(f => f.Said.Length > 0).Select(f => $"*{Wording.Words(f.Name)}*: {f.Said}")));
            Line($"| {kind} {shape.Type.Name} | `{Fields(shape, family.Flat ? head : [])}` | {said} |");
        }

        Line("");
    }

    private void Records()
    {
        var members = declarations.Families.SelectMany(f => f.Members.Select(m => m.Shape)).ToHashSet();
        Line("**Records**\n\n| record | fields | |\n|---|---|---|");
        foreach (var shape in declarations.Shapes.Where(s => !members.Contains(s)))
        {
            var said = string.Join(' ', new[] { Wording.Of(shape.Type) }.Concat(shape.Fields.Select(f => (f.Name, Said: Wording.Of(shape.Type, f.Name))).Where(f => f.Said.Length > 0).Select(f => $"*{Wording.Words(f.Name)}*: {f.Said}")));
            Line($"| {Wording.Words(shape.Type.Name)} | `{Fields(shape, [])}` | {said}{(shape.OnceANumber ? " A number alone is a record of version 1: its first field." : "")} |");
        }

        Line("");
    }

    private string Fields(Shape shape, IEnumerable<string> head)
    {
        var text = new StringBuilder();
        var version = 1;
        foreach (var field in shape.Fields)
        {
            if (field.Version > version && !field.Always) text.Append(version > 1 ? ") (" : text.Length > 0 ? " (" : "(");
            else if (text.Length > 0) text.Append(", ");
            if (!field.Always) version = field.Version;
            text.Append(Field(field));
        }

        if (version > 1) text.Append(')');
        return $"[{string.Join(", ", head.Append(text.ToString()).Where(t => t.Length > 0))}]";
    }

    private string Field(FieldForm field)
    {
        if (field.IsInline && field.Form is RecordForm record) return string.Join(", ", declarations.ShapeOf(record.Type).Firsts.Select(Field));
        var name = Wording.Words(field.Name);
        if (field.IsInline) return $"{name} kind, {name} body{(field.IsNullable ? " (0, nil: none)" : "")}";
        var form = FormOf(field.Form, name);
        return field.OrMinusOne ? $"{form} -1" : field is { IsNullable: true, NullIsEmpty: false, Version: 1 } ? $"{form}?" : form;
    }

    private static string FormOf(Form form, string name) => form switch
    {
        HandForm when form.Type == typeof(Texts) => $"{name}: texts",
        HandForm when form.Type == typeof(ActivityContent) => "activity.json as bytes",
        HandForm => "[dx, dy, pressure, dms ...]",
        ListForm list => $"{name}: [{(list.Item is RecordForm or FamilyForm ? Wording.Words(list.Item.Type.Name) : list.Item is ListForm inner ? $"[{Wording.Words(inner.Item.Type.Name)} ...]" : list.Item is HandForm ? "texts" : list.Item.Type == typeof(string) ? "text" : "number")} ...]",
        RecordForm or FamilyForm when !string.Equals(Wording.Words(form.Type.Name), name, StringComparison.Ordinal) => $"{name}: {Wording.Words(form.Type.Name)}",
        _ => name,
    };

    private void Numbers(Type type) =>
        Line($"**{Wording.Words(type.Name)}**: {string.Join(", ", Enum.GetNames(type).Select(n => (Number: Convert.ToInt64(Enum.Parse(type, n), CultureInfo.InvariantCulture), Name: n)).OrderBy(n => n.Number).Select(n => $"{n.Number} {Wording.Words(n.Name)}"))}.\n");

    private void Colours(string of, IEnumerable<int> colours) => Line($"**Colours of {of}**, from 0: {string.Join(", ", colours.Select(c => c.ToString("x6", CultureInfo.InvariantCulture)).Select(c => $"#{c}"))}.\n");

    private void Line(string text) => _text.Append(text).Append('\n');
}
