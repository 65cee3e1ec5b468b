using System.Globalization;
using System.Text;

namespace Yardang.WireMaker;

/// <summary>The same for the browser: types. How they are read and written is apart (<see cref="TypeScriptCodec"/>), so that a page loads only what it needs of it.</summary>
internal sealed class TypeScriptForms(Declarations declarations)
{
    private readonly TypeScriptNames _names = new(declarations);
    private readonly StringBuilder _text = new();

    public string Write()
    {
        Line("""
            // Made from Core's records by ./yardang wire: not to be changed by hand.

            import type { Texts } from './by-hand';

            """);
        foreach (var type in declarations.Enums) Write(type);
        foreach (var family in declarations.Families) Write(family);
        foreach (var shape in declarations.Shapes.Where(s => _names.KeyedFamilyOf(s) is null)) Write(shape);
        return _text.ToString().TrimEnd() + "\n";
    }

    private void Write(Type type)
    {
        Comment(Wording.Of(type), "");
        Line($"export const enum {type.Name} {{");
        foreach (var name in Enum.GetNames(type)) Line($"  {name} = {Convert.ToInt64(Enum.Parse(type, name), CultureInfo.InvariantCulture)},");
        Line("}\n");
    }

    private void Write(Family family)
    {
        var name = family.Type.Name;
        Comment(Wording.Of(family.Type), "");
        if (family.Key is null) Line($"export type {name} =\n{string.Join("\n", family.Members.Select(m => $"  | {m.Shape.Type.Name}"))};\n");
        else WriteKeyed(family, family.Key.Name);
    }

    // One property of one thing, and what it is now: not a type for each, but the property beside the value.
    private void WriteKeyed(Family family, string key)
    {
        var values = family.Members.SelectMany(m => m.Shape.Fields.Count == 1 ? [TypeScriptNames.TypeOf(m.Shape.Fields[0])] : new[] { m.Shape.Type.Name }).SelectMany(t => t.Split(" | ")).Distinct(StringComparer.Ordinal).Order(StringComparer.Ordinal);
        Line($"export interface {family.Type.Name} {{\n  readonly {Wording.Camel(key)}: {key};");
        foreach (var field in family.Head) Line($"  readonly {TypeScriptNames.Name(field)}: {TypeScriptNames.TypeOf(field)};");
        Line($"  /** Undefined where this reader may not know it. */\n  readonly value: Value | undefined;\n}}\n\nexport type Value =\n{string.Join("\n", values.Select(v => $"  | {v}"))};\n");
        foreach (var (_, shape) in family.Members.Where(m => m.Shape.Fields.Count > 1))
        {
            Line($"export interface {shape.Type.Name} {{");
            foreach (var field in shape.Fields) Line($"  readonly {TypeScriptNames.Name(field)}: {TypeScriptNames.TypeOf(field)};");
            Line("}\n");
        }
    }

    private void Write(Shape shape)
    {
        Comment(Wording.Of(shape.Type), "");
        Line($"export interface {shape.Type.Name} {{");
        if (_names.FamilyOf(shape) is not null) Line($"  readonly kind: '{_names.KindOf(shape)}';");
        foreach (var field in shape.Fields.Where(f => f.Of is null))
        {
            Comment(Wording.Of(shape.Type, field.Name), "  ");
            Line($"  readonly {TypeScriptNames.Name(field)}{(TypeScriptNames.IsOptional(field) ? "?" : "")}: {TypeScriptNames.TypeOf(field)};");
        }

        Line("}\n");
    }

    private void Comment(string words, string indent)
    {
        if (words.Length > 0) Line($"{indent}/** {words} */");
    }

    private void Line(string text) => _text.Append(text).Append('\n');
}
