using System.Collections.Immutable;
using System.Reflection;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.WireMaker;

/// <summary>What Core's records say of themselves: everything that commands, events and snapshots reach.</summary>
public sealed class Declarations
{
    private static readonly Type[] s_scalars = [typeof(int), typeof(long), typeof(bool), typeof(string), typeof(double), typeof(Guid)];
    private static readonly Type[] s_byHand = [typeof(Texts), typeof(ActivityContent), typeof(ImmutableArray<InkPoint>)];
    private static readonly NullabilityInfoContext s_nullability = new();

    private readonly SortedDictionary<string, Family> _families = new(StringComparer.Ordinal);
    private readonly SortedDictionary<string, Shape> _shapes = new(StringComparer.Ordinal);
    private readonly SortedDictionary<string, Type> _enums = new(StringComparer.Ordinal);
    private readonly Type[] _types;

    private Declarations(IEnumerable<Type> types)
    {
        _types = [.. types];
        foreach (var root in new[] { typeof(Command), typeof(RoomEvent), typeof(RoomSnapshot) }) FormOf(root);
    }

    /// <summary>The families, by name.</summary>
    public IEnumerable<Family> Families => _families.Values;

    /// <summary>All records, members of families among them, by name.</summary>
    public IEnumerable<Shape> Shapes => _shapes.Values;

    /// <summary>The enumerations, by name.</summary>
    public IEnumerable<Type> Enums => _enums.Values;

    /// <summary>What Core says, and what more there is: of a test.</summary>
    /// <exception cref="InvalidOperationException">A record says something that cannot be written.</exception>
    public static Declarations Of(params Type[] more) => new(typeof(Room).Assembly.GetTypes().Concat(more));

    /// <summary>The fields of a record.</summary>
    public Shape ShapeOf(Type type) => _shapes[type.Name];

    /// <summary>The family of that name.</summary>
    public Family FamilyOf(Type type) => _families[type.Name];

    /// <summary>All records and families that may be inside one.</summary>
    /// <param name="root">The record or family; it is among them.</param>
    /// <param name="apart">Families into which nobody looks.</param>
    public IReadOnlySet<Type> Within(Type root, params Type[] apart)
    {
        var found = new HashSet<Type>();
        Find(_families.ContainsKey(root.Name) ? new FamilyForm(root) : new RecordForm(root));
        return found;

        void Find(Form form)
        {
            if (form is ListForm list) Find(list.Item);
            if (form is not (RecordForm or FamilyForm) || apart.Contains(form.Type) || !found.Add(form.Type)) return;
            var shapes = form is FamilyForm ? FamilyOf(form.Type).Members.Select(m => m.Shape) : [ShapeOf(form.Type)];
            foreach (var shape in shapes)
            {
                found.Add(shape.Type);
                foreach (var field in shape.Fields) Find(field.Form);
            }
        }
    }

    private Form FormOf(Type type)
    {
        if (s_byHand.Contains(type)) return new HandForm(type);
        if (s_scalars.Contains(type)) return new ScalarForm(type);
        if (type.IsEnum)
        {
            _enums[type.Name] = type;
            return new EnumForm(type);
        }

        if (type.IsGenericType && type.GetGenericTypeDefinition() is var generic && (generic == typeof(ImmutableArray<>) || generic == typeof(ImmutableSortedSet<>)))
        {
            return new ListForm(type, FormOf(type.GetGenericArguments()[0]));
        }

        if (type.GetCustomAttribute<FamilyAttribute>() is { } family)
        {
            if (!_families.ContainsKey(type.Name)) AddFamily(type, family);
            return new FamilyForm(type);
        }

        Describe(type, []);
        return new RecordForm(type);
    }

    private void AddFamily(Type type, FamilyAttribute said)
    {
        var head = type.GetProperties().Where(p => p.DeclaringType == type && p.GetCustomAttribute<FieldAttribute>() is not null).Select(p => Field(p, false)).ToList();
        var members = new List<(int, Shape)>();

        // Known before its members are described: they may hold one of their own family.
        _families[type.Name] = new(type, said.Flat, said.Key, head, members);
        var kinds = _types.Where(t => t.IsSubclassOf(type) && t.GetCustomAttribute<KindAttribute>() is not null).Select(t => (t.GetCustomAttribute<KindAttribute>()!.Number, t)).OrderBy(k => k.Number).ToList();
        if (kinds.DistinctBy(k => k.Number).Count() < kinds.Count) throw new InvalidOperationException($"Two of {type.Name} have the same kind.");
        foreach (var (kind, member) in kinds) members.Add((kind, Describe(member, [.. head.Select(h => h.Name)])));

        var unnumbered = _types.FirstOrDefault(t => type == typeof(RoomEvent) && t.IsSubclassOf(type) && t.GetCustomAttribute<KindAttribute>() is null);
        if (unnumbered is not null) throw new InvalidOperationException($"{unnumbered.Name} has no kind: what happens must be kept.");
    }

    private Shape Describe(Type type, string[] known)
    {
        if (_shapes.TryGetValue(type.Name, out var there)) return there.Type == type ? there : throw new InvalidOperationException($"Two records are called {type.Name}.");
        if (!type.Namespace!.StartsWith("Yardang.", StringComparison.Ordinal)) throw new InvalidOperationException($"{type} cannot be on the wire.");
        var fields = new List<FieldForm>();
        _shapes[type.Name] = new(type, fields, type.GetCustomAttribute<OnceANumberAttribute>() is not null);
        var head = type.GetConstructors().Where(c => c.GetParameters() is not [{ } only] || only.ParameterType != type).MaxBy(c => c.GetParameters().Length);
        fields.AddRange((head?.GetParameters() ?? []).Where(p => !known.Contains(p.Name)).Select(Field));
        foreach (var beside in type.GetProperties().Where(p => p.DeclaringType == type && p.GetCustomAttribute<FieldAttribute>() is not null).OrderBy(p => p.GetCustomAttribute<FieldAttribute>()!.Position))
        {
            fields.Insert(beside.GetCustomAttribute<FieldAttribute>()!.Position, Field(beside, false));
        }

        fields.AddRange(fields.Where(f => f is { IsInline: true, Form: RecordForm }).SelectMany(f => ShapeOf(f.Form.Type).Fields.Where(later => later.Version > 1).Select(later => later with { Of = f.Name })).ToList());
        for (var i = 1; i < fields.Count; i++)
        {
            if (fields[i].Version < fields[i - 1].Version) throw new InvalidOperationException($"{type.Name}: what came later stands later.");
        }

        return _shapes[type.Name];
    }

    private FieldForm Field(ParameterInfo p)
    {
        var bare = Nullable.GetUnderlyingType(p.ParameterType);
        var since = p.GetCustomAttribute<SinceAttribute>();
        return new(
            p.Name!, FormOf(bare ?? p.ParameterType), bare is not null || s_nullability.Create(p).WriteState == NullabilityState.Nullable, since?.Version ?? 1, since?.Always ?? false,
            p.GetCustomAttribute<InlineAttribute>() is not null, p.GetCustomAttribute<OrMinusOneAttribute>() is not null, p.GetCustomAttribute<NullIsEmptyAttribute>() is not null,
            p.GetCustomAttribute<AtMostAttribute>()?.Count, true);
    }

    private FieldForm Field(PropertyInfo p, bool inHead) => new(p.Name, FormOf(p.PropertyType), false, 1, false, false, false, false, null, inHead);
}
