using System.Globalization;
using System.Text;
using Yardang.Core.Activities;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.WireMaker;

/// <summary>The same for the browser: types, and how they are read and written.</summary>
internal sealed class TypeScriptForms(Declarations declarations)
{
    private readonly StringBuilder _text = new();

    public string Write()
    {
        Line("""
            // Made from Core's records by ./yardang wire: not to be changed by hand.

            import { known, readPoints, type Texts, writePoints } from './by-hand';

            type Raw = any[]; // What the MessagePack reader gives.

            """);
        var sent = declarations.Within(typeof(Command));
        foreach (var type in declarations.Enums) Write(type);
        foreach (var family in declarations.Families) Write(family, sent.Contains(family.Type));
        foreach (var shape in declarations.Shapes)
        {
            if (KeyedFamilyOf(shape) is not null) continue;
            WriteType(shape);
            WriteReader(shape);
            if (sent.Contains(shape.Type)) WriteWriter(shape);
        }

        return _text.ToString().TrimEnd() + "\n";
    }

    private void Write(Type type)
    {
        Comment(Wording.Of(type), "");
        Line($"export const enum {type.Name} {{");
        foreach (var name in Enum.GetNames(type)) Line($"  {name} = {Convert.ToInt64(Enum.Parse(type, name), CultureInfo.InvariantCulture)},");
        Line("}\n");
    }

    private void Write(Family family, bool isSent)
    {
        var name = family.Type.Name;
        Comment(Wording.Of(family.Type), "");
        if (family.Key is not null)
        {
            WriteKeyed(family);
            return;
        }

        Line($"export type {name} =\n{string.Join("\n", family.Members.Select(m => $"  | {m.Shape.Type.Name}"))};\n");
        Line("/** Null if it is of a kind that came later. */");
        Line(family.Flat ? $"export function read{name}(raw: Raw): {name} | null {{\n  switch (raw[0]) {{" : $"export function read{name}(kind: number, raw: Raw): {name} | null {{\n  switch (kind) {{");
        foreach (var (kind, shape) in family.Members) Line($"    case {kind}:\n      return read{shape.Type.Name}(raw);");
        Line("    default:\n      return null;\n  }\n}\n");
        if (!isSent) return;
        Line(family.Flat ? $"export function write{name}(v: {name}): Raw {{\n  switch (v.kind) {{" : $"export function write{name}(v: {name}): [number, Raw] {{\n  switch (v.kind) {{");
        foreach (var (kind, shape) in family.Members)
        {
            var written = $"write{shape.Type.Name}(v)";
            Line($"    case '{KindOf(shape)}':\n      return {(family.Flat ? written : $"[{kind}, {written}]")};");
        }

        Line("  }\n}\n");
    }

    // One property of one thing, and what it is now: not a type for each, but the property beside the value.
    private void WriteKeyed(Family family)
    {
        var (name, key) = (family.Type.Name, family.Key!.Name);
        var values = family.Members.SelectMany(m => m.Shape.Fields.Count == 1 ? [TypeOf(m.Shape.Fields[0])] : new[] { m.Shape.Type.Name }).SelectMany(t => t.Split(" | ")).Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal);
        Line($"export interface {name} {{\n  readonly {Wording.Camel(key)}: {key};");
        foreach (var field in family.Head) Line($"  readonly {Name(field)}: {TypeOf(field)};");
        Line($"  /** Undefined where this reader may not know it. */\n  readonly value: Value | undefined;\n}}\n\nexport type Value =\n{string.Join("\n", values.Select(v => $"  | {v}"))};\n");
        foreach (var (_, shape) in family.Members.Where(m => m.Shape.Fields.Count > 1))
        {
            Line($"export interface {shape.Type.Name} {{");
            foreach (var field in shape.Fields) Line($"  readonly {Name(field)}: {TypeOf(field)};");
            Line("}\n");
        }

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
            Line($"    case {kind}: {{\n      const value = v.value as {(shape.Fields.Count == 1 ? TypeOf(shape.Fields[0]) : shape.Type.Name)};");
            Line($"      return [...head, {string.Join(", ", shape.Fields.Select(f => Writing(f, shape.Fields.Count == 1 ? "value" : $"value.{Name(f)}")))}];\n    }}");
        }

        Line("    default:\n      return head;\n  }\n}\n");
    }

    private void WriteType(Shape shape)
    {
        Comment(Wording.Of(shape.Type), "");
        Line($"export interface {shape.Type.Name} {{");
        if (FamilyOf(shape) is not null) Line($"  readonly kind: '{KindOf(shape)}';");
        foreach (var field in shape.Fields)
        {
            Comment(Wording.Of(shape.Type, field.Name), "  ");
            Line($"  readonly {Name(field)}{(IsOptional(field) ? "?" : "")}: {TypeOf(field)};");
        }

        Line("}\n");
    }

    private void WriteReader(Shape shape)
    {
        var family = FamilyOf(shape);
        Line($"export function read{shape.Type.Name}({(shape.Fields.Count == 0 ? "_raw" : "raw")}: Raw{(shape.OnceANumber ? " | number" : "")}): {shape.Type.Name} {{");
        if (shape.OnceANumber)
        {
            Line($"  if (typeof raw === 'number') return {{ {Name(shape.Fields[0])}: raw, {string.Join(", ", shape.Fields.Skip(1).Select(f => $"{Name(f)}: {(f.IsNullable ? "null" : Usual(f))}"))} }};");
        }

        var parts = new List<string>();
        if (family is not null) parts.Add($"kind: '{KindOf(shape)}'");
        var slot = family is { Flat: true } ? 1 : 0;
        foreach (var field in shape.Fields)
        {
            parts.Add($"{Name(field)}: {Reading(field, slot)}");
            slot += Slots(field);
        }

        Line($"  return {{{string.Concat(parts.Select(p => $"\n    {p},"))}\n  }};\n}}\n");
    }

    private void WriteWriter(Shape shape)
    {
        var family = FamilyOf(shape);
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
            var unusual = string.Join(" || ", later.Skip(i).SelectMany(v => v).Select(f => IsUnusual(f, $"v.{Name(f)}")));
            Line($"  if ({unusual}) raw.push({string.Join(", ", later[i].Select(f => Writing(f, $"v.{Name(f)}")))});");
        }

        Line("  return raw;\n}\n");
    }

    private string Reading(FieldForm field, int slot)
    {
        var raw = $"raw[{slot}]";
        if (field.IsInline && field.Form is RecordForm record)
        {
            var parts = declarations.ShapeOf(record.Type).Fields.Select((f, i) => $"{Name(f)}: {Reading(f, slot + i)}");
            return $"{{ {string.Join(", ", parts)} }}";
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
        if (field.IsInline && field.Form is RecordForm record) return string.Join(", ", declarations.ShapeOf(record.Type).Fields.Select(f => Writing(f, $"{value}.{Name(f)}")));
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

    private static string TypeOf(FieldForm field) => TypeOf(field.Form) + (field is { IsNullable: true, NullIsEmpty: false } ? " | null" : "");

    private static string TypeOf(Form form) => form switch
    {
        HandForm when form.Type == typeof(Texts) => "Texts",
        HandForm when form.Type == typeof(ActivityContent) => "Uint8Array",
        HandForm => "readonly number[]",
        ScalarForm when form.Type == typeof(bool) => "boolean",
        ScalarForm when form.Type == typeof(string) || form.Type == typeof(Guid) => "string",
        ScalarForm => "number",
        ListForm { Item: ListForm } list => $"readonly ({TypeOf(list.Item)})[]",
        ListForm list => $"readonly {TypeOf(list.Item)}[]",
        _ => form.Type.Name,
    };

    private Family? FamilyOf(Shape shape) => declarations.Families.FirstOrDefault(f => f.Members.Any(m => m.Shape == shape));

    private Family? KeyedFamilyOf(Shape shape) => FamilyOf(shape) is { Key: not null } family ? family : null;

    // "InkBody" of the family "MarkBody": "ink".
    private string KindOf(Shape shape)
    {
        var family = FamilyOf(shape)!.Type.Name;
        var last = family[family.Select((c, i) => char.IsUpper(c) ? i : 0).Max()..];
        return Wording.Camel(shape.Type.Name.EndsWith(last, StringComparison.Ordinal) ? shape.Type.Name[..^last.Length] : shape.Type.Name);
    }

    private int Slots(FieldForm field) => !field.IsInline ? 1 : field.Form is RecordForm r ? declarations.ShapeOf(r.Type).Fields.Sum(Slots) : 2;

    private static bool IsOptional(FieldForm field) => field is { IsNullable: true, NullIsEmpty: false, Version: > 1, Form: ListForm };

    private static string Usual(FieldForm field) => field.Form.Type == typeof(bool) ? "false" : field.Form is EnumForm || field.Form.Type != typeof(string) ? "0" : "''";

    private static string IsUnusual(FieldForm field, string value) => field switch
    {
        { NullIsEmpty: true } => $"{value}.length > 0",
        { IsNullable: true } => $"{value} != null",
        { Form.Type: var t } when t == typeof(bool) => value,
        _ => $"{value} !== 0",
    };

    private static string Name(FieldForm field) => Wording.Camel(field.Name);

    private void Comment(string words, string indent)
    {
        if (words.Length > 0) Line($"{indent}/** {words} */");
    }

    private void Line(string text) => _text.Append(text).Append('\n');
}
