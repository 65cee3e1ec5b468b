using System.Collections;
using System.Collections.Immutable;
using System.Reflection;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Pages;
using Yardang.WireMaker;

namespace Yardang.Core.Tests.Wire;

/// <summary>Values of every record that is on the wire, made up from what the record says of itself.</summary>
internal sealed class WireSamples(Declarations declarations, Random random)
{
    /// <summary>One of each kind of a family.</summary>
    public IEnumerable<(int Kind, object Sample)> Of(Type family) => declarations.FamilyOf(family).Members.Select(m => (m.Kind, Record(m.Shape.Type, 0)));

    private object Record(Type type, int depth)
    {
        var head = type.GetConstructors().MaxBy(c => c.GetParameters().Length)!;
        var shape = declarations.ShapeOf(type);
        var made = head.Invoke([.. head.GetParameters().Select(p => shape.Fields.FirstOrDefault(f => f.Name == p.Name) is { } field ? Field(field, depth) : Head(type, p))]);
        foreach (var beside in shape.Fields.Where(f => !f.InHead)) type.GetProperty(beside.Name)!.SetValue(made, Field(beside, depth));
        return made;
    }

    private object? Head(Type type, ParameterInfo parameter) =>
        Value(declarations.Families.First(f => type.IsSubclassOf(f.Type)).Head.First(h => h.Name == parameter.Name).Form, 0);

    private object? Field(FieldForm field, int depth)
    {
        if (field.IsNullable && random.Next(2) == 0) return null;
        if (field.Version > 1 && !field.IsNullable && random.Next(2) == 0) return field.Form.Type == typeof(string) ? "" : Activator.CreateInstance(field.Form.Type);
        var value = Value(field.Form, depth);

        // Nobody says that there is nothing where there may be none.
        return field.NullIsEmpty && value is ICollection { Count: 0 } ? null : value;
    }

    private object Value(Form form, int depth)
    {
        switch (form)
        {
            case HandForm when form.Type == typeof(Texts): return Texts.In("en", "span").With("es", "vano");
            case HandForm when form.Type == typeof(ActivityContent): return ActivityContent.Blank("en", "Bridges");
            case HandForm: return ImmutableArray.Create(new InkPoint(random.Next(9_000), 40, 128, 0), new InkPoint(30, random.Next(9_000), 90, 12));
            case EnumForm: return form.Type.GetEnumValues().GetValue(random.Next(form.Type.GetEnumValues().Length))!;
            case ScalarForm when form.Type == typeof(int): return random.Next(70_000);
            case ScalarForm when form.Type == typeof(long): return random.NextInt64(1L << 40);
            case ScalarForm when form.Type == typeof(bool): return random.Next(2) == 0;
            case ScalarForm when form.Type == typeof(double): return random.Next(2) == 0 ? random.Next(900) : random.NextDouble();
            case ScalarForm when form.Type == typeof(Guid): return new Guid(random.Next(), 2, 3, 4, 5, 6, 7, 8, 9, 10, 11);
            case ScalarForm: return $"span {random.Next(100)}";
            case ListForm list:
                var items = (IList)Activator.CreateInstance(typeof(List<>).MakeGenericType(list.Item.Type))!;
                for (var left = random.Next(3); left > 0; left--) items.Add(Value(list.Item, depth + 1));
                return List(list.Type, items);
            case FamilyForm:
                var members = declarations.FamilyOf(form.Type).Members;
                return Record(members[depth > 2 ? 1 : random.Next(members.Count)].Shape.Type, depth + 1);
            default: return Record(form.Type, depth);
        }
    }

    private static object List(Type type, IList items)
    {
        var factory = type.GetGenericTypeDefinition() == typeof(ImmutableArray<>) ? typeof(ImmutableArray) : typeof(ImmutableSortedSet);
        return factory.GetMethods().First(m => m.Name == "CreateRange" && m.GetParameters() is [{ ParameterType.IsGenericType: true } only] && only.ParameterType.GetGenericTypeDefinition() == typeof(IEnumerable<>))
            .MakeGenericMethod(type.GetGenericArguments()).Invoke(null, [items])!;
    }
}
