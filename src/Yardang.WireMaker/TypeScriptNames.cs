using Yardang.Core.Activities;
using Yardang.Core.Pages;

namespace Yardang.WireMaker;

/// <summary>What Core's records and fields are called in the browser.</summary>
internal sealed class TypeScriptNames(Declarations declarations)
{
    public static string Name(FieldForm field) => Wording.Camel(field.Name);

    public static string TypeOf(FieldForm field) => TypeOf(field.Form) + (field is { IsNullable: true, NullIsEmpty: false } ? " | null" : "");

    public static string TypeOf(Form form) => form switch
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

    public static bool IsOptional(FieldForm field) => field is { IsNullable: true, NullIsEmpty: false, Version: > 1, Form: ListForm };

    public Family? FamilyOf(Shape shape) => declarations.Families.FirstOrDefault(f => f.Members.Any(m => m.Shape == shape));

    public Family? KeyedFamilyOf(Shape shape) => FamilyOf(shape) is { Key: not null } family ? family : null;

    // "InkBody" of the family "MarkBody": "ink".
    public string KindOf(Shape shape)
    {
        var family = FamilyOf(shape)!.Type.Name;
        var last = family[family.Select((c, i) => char.IsUpper(c) ? i : 0).Max()..];
        return Wording.Camel(shape.Type.Name.EndsWith(last, StringComparison.Ordinal) ? shape.Type.Name[..^last.Length] : shape.Type.Name);
    }
}
