using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Yardang.Core.Rooms;

namespace Yardang.WireMaker;

/// <summary>How the browser reads and writes what Core's records say, in three files: what every page needs, and what is of pages and of walls alone.</summary>
internal sealed partial class TypeScriptCodec(Declarations declarations)
{
    private static readonly string[] s_files = ["codec", "pages-codec", "walls-codec"];
    private static readonly string[] s_byHand = ["known", "readPoints", "writePoints"];
    private static readonly string[] s_ofKinds = ["know", "readCommand", "readRoomEvent", "writeCommand"];
    private static readonly Type[] s_rooms = [typeof(Command), typeof(RoomEvent), typeof(RoomSnapshot)];

    private readonly TypeScriptNames _names = new(declarations);
    private readonly IReadOnlySet<Type> _sent = declarations.Within(typeof(Command));
    private StringBuilder _text = new();

    /// <summary>Each file by its name.</summary>
    public IReadOnlyDictionary<string, string> Write()
    {
        var homes = Homes();
        var texts = s_files.ToDictionary(file => file, file => Functions(homes, file), StringComparer.Ordinal);
        var made = texts.ToDictionary(t => t.Key, t => Made().Matches(t.Value).Select(m => m.Value).ToHashSet(StringComparer.Ordinal), StringComparer.Ordinal);
        return texts.ToDictionary(t => t.Key, t => Head(t.Key, t.Value, made["codec"]) + t.Value, StringComparer.Ordinal);
    }

    // What is only within what happens on walls, or only within what happens on pages, is in a file of its own.
    private Dictionary<Type, string> Homes()
    {
        var within = new Dictionary<Type, HashSet<string>>();
        foreach (var member in s_rooms.SelectMany(r => declarations.FamilyOf(r).Members).Select(m => m.Shape.Type))
        {
            foreach (var type in declarations.Within(member, s_rooms)) (within.TryGetValue(type, out var files) ? files : within[type] = []).Add(FileOf(member));
        }

        foreach (var room in s_rooms) within[room] = ["codec"];
        return within.ToDictionary(w => w.Key, w => w.Value.Count == 1 ? w.Value.Single() : "codec");
    }

    private static string FileOf(Type member) => member.Namespace!.Split('.')[^1] switch
    {
        "Walls" => "walls-codec",
        "Boards" or "Drafts" or "Editing" or "Marks" => "pages-codec",
        _ => "codec",
    };

    private string Functions(Dictionary<Type, string> homes, string file)
    {
        _text = new();
        bool IsHere(Type type) => string.Equals(homes.GetValueOrDefault(type), file, StringComparison.Ordinal);
        foreach (var family in declarations.Families.Where(f => !s_rooms.Contains(f.Type) && IsHere(f.Type))) Write(family);
        foreach (var shape in declarations.Shapes.Where(s => _names.KeyedFamilyOf(s) is null && IsHere(s.Type)))
        {
            WriteReader(shape);
            if (_sent.Contains(shape.Type)) WriteWriter(shape);
        }

        List<(int Kind, Shape Shape)> MembersHere(Type room) => [.. declarations.FamilyOf(room).Members.Where(m => IsHere(m.Shape.Type))];
        Line("know({");
        foreach (var room in s_rooms)
        {
            var members = MembersHere(room);
            if (members.Count == 0) continue;
            Line($"  read{room.Name}: {{");
            foreach (var (kind, shape) in members) Line($"    {kind}: read{shape.Type.Name},");
            Line("  },");
        }

        Line("  writeCommand: {");
        foreach (var (kind, shape) in MembersHere(typeof(Command))) Line($"    {_names.KindOf(shape)}: [{kind}, write{shape.Type.Name}],");
        Line("  },\n});");
        return _text.ToString();
    }

    private string Head(string file, string text, HashSet<string> common)
    {
        var words = Words().Matches(text).Select(m => m.Value).ToHashSet(StringComparer.Ordinal);
        var byHand = s_byHand.Where(words.Contains);
        var types = declarations.Families.Select(f => f.Type.Name).Concat(declarations.Enums.Select(e => e.Name)).Concat(declarations.Shapes.Where(s => _names.KeyedFamilyOf(s) is not { } keyed || (keyed.Key is not null && s.Fields.Count > 1)).Select(s => s.Type.Name)).Append("Value").Where(words.Contains);
        var head = new StringBuilder("// Made from Core's records by ./yardang wire: not to be changed by hand.\n\n");
        Import(head, "./by-hand", byHand.Concat(words.Contains("Texts") ? ["type Texts"] : []));
        if (!string.Equals(file, "codec", StringComparison.Ordinal)) Import(head, "./codec", common.Where(words.Contains));
        Import(head, "./forms", types.Select(t => $"type {t}"));
        Import(head, "./kinds", s_ofKinds.Where(w => words.Contains(w) && text.Contains($"{w}(", StringComparison.Ordinal)));
        head.Append("type Raw = any[]; // What the MessagePack reader gives.\n\n");
        return head.ToString();
    }

    private static void Import(StringBuilder head, string from, IEnumerable<string> names)
    {
        var all = names.Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal).ToList();
        if (all.Count > 0) head.Append(CultureInfo.InvariantCulture, $"import {{ {string.Join(", ", all)} }} from '{from}';\n");
    }

    private void Write(Family family)
    {
        if (family.Key is not null)
        {
            WriteKeyed(family);
            return;
        }

        var name = family.Type.Name;
        Line("/** Null if it is of a kind that came later. */");
        Line(family.Flat ? $"export function read{name}(raw: Raw): {name} | null {{\n  switch (raw[0]) {{" : $"export function read{name}(kind: number, raw: Raw): {name} | null {{\n  switch (kind) {{");
        foreach (var (kind, shape) in family.Members) Line($"    case {kind}:\n      return read{shape.Type.Name}(raw);");
        Line("    default:\n      return null;\n  }\n}\n");
        if (!_sent.Contains(family.Type)) return;
        Line(family.Flat ? $"export function write{name}(v: {name}): Raw {{\n  switch (v.kind) {{" : $"export function write{name}(v: {name}): [number, Raw] {{\n  switch (v.kind) {{");
        foreach (var (kind, shape) in family.Members)
        {
            var written = $"write{shape.Type.Name}(v)";
            Line($"    case '{_names.KindOf(shape)}':\n      return {(family.Flat ? written : $"[{kind}, {written}]")};");
        }

        Line("  }\n}\n");
    }

    private void WriteKeyed(Family family)
    {
        var (name, key) = (family.Type.Name, family.Key!.Name);
        var first = 1 + family.Head.Count;
        Line($"export function read{name}(raw: Raw): {name} {{\n  return {{ {Wording.Camel(key)}: Math.abs(raw[0]), {string.Join(", ", family.Head.Select((h, i) => $"{Name(h)}: {Reading(h, 1 + i)}"))}, value: raw[0] < 0 ? undefined : readValue(raw) }};\n}}\n");
        Line("function readValue(raw: Raw): Value | undefined {\n  switch (raw[0]) {");
        foreach (var (kind, shape) in family.Members)
        {
            var read = shape.Fields.Select((f, i) => (Name: Name(f), Read: Reading(f, first + i))).ToList();
            Line($"    case {kind}:\n      return {(read.Count == 1 ? read[0].Read : $"{{ {string.Join(", ", read.Select(f => $"{f.Name}: {f.Read}"))} }}")};");
        }

        Line("    default:\n      return undefined;\n  }\n}\n");
        Line($"export function write{name}(v: {name}): Raw {{\n  const head = [v.{Wording.Camel(key)}, {string.Join(", ", family.Head.Select(h => $"v.{Name(h)}"))}];\n  switch (v.{Wording.Camel(key)}) {{");
        foreach (var (kind, shape) in family.Members)
        {
            Line($"    case {kind}: {{\n      const value = v.value as {(shape.Fields.Count == 1 ? TypeScriptNames.TypeOf(shape.Fields[0]) : shape.Type.Name)};");
            Line($"      return [...head, {string.Join(", ", shape.Fields.Select(f => Writing(f, shape.Fields.Count == 1 ? "value" : $"value.{Name(f)}")))}];\n    }}");
        }

        Line("    default:\n      return head;\n  }\n}\n");
    }

    private void WriteReader(Shape shape)
    {
        var family = _names.FamilyOf(shape);
        Line($"export function read{shape.Type.Name}({(shape.Fields.Count == 0 ? "_raw" : "raw")}: Raw{(shape.OnceANumber ? " | number" : "")}): {shape.Type.Name} {{");
        if (shape.OnceANumber)
        {
            Line($"  if (typeof raw === 'number') return {{ {Name(shape.Fields[0])}: raw, {string.Join(", ", shape.Fields.Skip(1).Select(f => $"{Name(f)}: {(f.IsNullable ? "null" : Usual(f))}"))} }};");
        }

        var parts = new List<string>();
        if (family is not null) parts.Add($"kind: '{_names.KindOf(shape)}'");
        var slots = new Dictionary<FieldForm, int>();
        foreach (var field in shape.Fields) slots[field] = (family is { Flat: true } ? 1 : 0) + slots.Keys.Sum(Slots);
        foreach (var field in shape.Fields.Where(f => f.Of is null))
        {
            var held = shape.Fields.Where(f => string.Equals(f.Of, field.Name, StringComparison.Ordinal)).Select(f => $"{Name(f)}: {Reading(f, slots[f])}");
            parts.Add($"{Name(field)}: {Reading(field, slots[field], held)}");
        }

        Line($"  return {{{string.Concat(parts.Select(p => $"\n    {p},"))}\n  }};\n}}\n");
    }

    private void WriteWriter(Shape shape)
    {
        var family = _names.FamilyOf(shape);
        Line($"export function write{shape.Type.Name}({(shape.Fields.Count == 0 && family is null or { Flat: false } && shape.Fields.Count == 0 ? "_v" : "v")}: {shape.Type.Name}): Raw {{");
        var first = shape.Fields.Where(f => f.Version == 1 || f.Always).Select(f => Writing(f, $"v.{Name(f)}"));
        if (family is { Flat: true }) first = first.Prepend(family.Members.Single(m => m.Shape == shape).Kind.ToString(CultureInfo.InvariantCulture));
        var later = shape.Fields.Where(f => f.Version > 1 && !f.Always).GroupBy(f => f.Version).ToList();
        var head = string.Join(", ", first);
        if (later.Count == 0)
        {
            Line($"  return [{head}];\n}}\n");
            return;
        }

        Line($"  const raw: Raw = [{head}];");
        for (var i = 0; i < later.Count; i++)
        {
            var unusual = string.Join(" || ", later.Skip(i).SelectMany(v => v).Select(f => IsUnusual(f, $"v.{Path(f)}")));
            Line($"  if ({unusual}) raw.push({string.Join(", ", later[i].Select(f => Writing(f, $"v.{Path(f)}")))});");
        }

        Line("  return raw;\n}\n");
    }

    private string Reading(FieldForm field, int slot, IEnumerable<string>? held = null)
    {
        var raw = $"raw[{slot}]";
        if (field.IsInline && field.Form is RecordForm record)
        {
            var parts = declarations.ShapeOf(record.Type).Firsts.Select((f, i) => $"{Name(f)}: {Reading(f, slot + i)}");
            return $"{{ {string.Join(", ", parts.Concat(held ?? []))} }}";
        }

        if (field.IsInline) return field.IsNullable ? $"raw[{slot}] ? read{field.Form.Type.Name}(raw[{slot}], raw[{slot + 1}]) : null" : $"known(read{field.Form.Type.Name}(raw[{slot}], raw[{slot + 1}]))";
        if (field.OrMinusOne) return $"{raw} < 0 ? null : {raw}";
        if (field.NullIsEmpty) return field.Version == 1 ? Reading(field.Form, raw) : Reading(field.Form, $"({raw} ?? [])");
        if (field.IsNullable) return Reading(field.Form, raw) is var read && string.Equals(read, raw, StringComparison.Ordinal) ? $"{raw} ?? null" : $"{raw} == null ? null : {read}";
        return field.Version > 1 ? $"{raw} ?? {Usual(field)}" : Reading(field.Form, raw);
    }

    private string Reading(Form form, string raw) => form switch
    {
        HandForm when form.Type.IsGenericType => $"readPoints({raw})",
        ListForm { Item: FamilyForm item } list when IsNullReading(item) => $"{raw}.map((x: Raw) => {Reading(list.Item, "x")})",
        ListForm list => Reading(list.Item, "x") is var read && string.Equals(read, "x", StringComparison.Ordinal) ? raw : $"{raw}.map((x: Raw) => {read})",
        RecordForm => $"read{form.Type.Name}({raw})",
        FamilyForm family => IsNullReading(family) ? $"known(read{form.Type.Name}({raw}))" : $"read{form.Type.Name}({raw})",
        _ => raw,
    };

    private bool IsNullReading(FamilyForm family) => declarations.FamilyOf(family.Type).Key is null;

    private string Writing(FieldForm field, string value)
    {
        if (field.IsInline && field.Form is RecordForm record) return string.Join(", ", declarations.ShapeOf(record.Type).Firsts.Select(f => Writing(f, $"{value}.{Name(f)}")));
        if (field.IsInline) return field.IsNullable ? $"...({value} ? write{field.Form.Type.Name}({value}) : [0, null])" : $"...write{field.Form.Type.Name}({value})";
        if (field.OrMinusOne) return $"{value} ?? -1";
        var written = Writing(field.Form, value);
        if (field is { NullIsEmpty: true, Version: > 1 }) return $"{value}.length > 0 ? {written} : null";
        return field is { IsNullable: true, NullIsEmpty: false } && !string.Equals(written, value, StringComparison.Ordinal) ? $"{value} && {written}" : written;
    }

    private static string Writing(Form form, string value) => form switch
    {
        HandForm when form.Type.IsGenericType => $"writePoints({value})",
        ListForm list => Writing(list.Item, "x") is var written && string.Equals(written, "x", StringComparison.Ordinal) ? value : $"{value}.map((x) => {written})",
        RecordForm or FamilyForm => $"write{form.Type.Name}({value})",
        _ => value,
    };

    private int Slots(FieldForm field) => !field.IsInline ? 1 : field.Form is RecordForm r ? declarations.ShapeOf(r.Type).Firsts.Sum(Slots) : 2;

    private static string Usual(FieldForm field) => field.Form.Type == typeof(bool) ? "false" : field.Form is EnumForm || field.Form.Type != typeof(string) ? "0" : "''";

    private static string IsUnusual(FieldForm field, string value) => field switch
    {
        { NullIsEmpty: true } => $"{value}.length > 0",
        { IsNullable: true } => $"{value} != null",
        // What was written by an earlier version of the page does not have it.
        _ => value,
    };

    private static string Name(FieldForm field) => TypeScriptNames.Name(field);

    private static string Path(FieldForm field) => field.Of is null ? Name(field) : $"{Wording.Camel(field.Of)}.{Name(field)}";

    private void Line(string text) => _text.Append(text).Append('\n');

    [GeneratedRegex(@"(?<=export function )\w+", RegexOptions.None, 1_000)]
    private static partial Regex Made();

    [GeneratedRegex(@"\w+", RegexOptions.None, 1_000)]
    private static partial Regex Words();
}
