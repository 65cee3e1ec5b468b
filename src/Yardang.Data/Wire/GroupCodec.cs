using System.Collections.Immutable;
using MessagePack;
using Yardang.Core.Lessons;

namespace Yardang.Data.Wire;

/// <summary>Groups on the wire: [[number, name, [person ...], helper] ...]; without a helper in logs of before.</summary>
internal static class GroupCodec
{
    public static void Write(ref MessagePackWriter w, ImmutableArray<Group> groups)
    {
        w.WriteArrayHeader(groups.Length);
        foreach (var group in groups)
        {
            w.WriteArrayHeader(4);
            w.Write(group.Number);
            w.Write(group.Name);
            w.WriteArrayHeader(group.People.Length);
            foreach (var person in group.People) w.Write(person);
            w.Write(group.Helper);
        }
    }

    public static ImmutableArray<Group> Read(ref MessagePackReader r)
    {
        var groups = ImmutableArray.CreateBuilder<Group>(Counted(ref r, Grouping.Most));
        for (var left = groups.Capacity; left > 0; left--)
        {
            var fields = new Fields(ref r, 3);
            var group = new Group(r.ReadInt32(), r.ReadString() ?? "", ReadPeople(ref r));
            groups.Add(fields.Has(4) ? group with { Helper = r.ReadInt32() } : group);
            fields.End(ref r);
        }

        return groups.MoveToImmutable();
    }

    public static void Write(ref MessagePackWriter w, ImmutableArray<ImmutableArray<Group>> arrangements)
    {
        w.WriteArrayHeader(arrangements.Length);
        foreach (var groups in arrangements) Write(ref w, groups);
    }

    public static ImmutableArray<ImmutableArray<Group>> ReadArrangements(ref MessagePackReader r)
    {
        var arrangements = ImmutableArray.CreateBuilder<ImmutableArray<Group>>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) arrangements.Add(Read(ref r));
        return arrangements.ToImmutable();
    }

    private static ImmutableArray<int> ReadPeople(ref MessagePackReader r)
    {
        var people = ImmutableArray.CreateBuilder<int>(Counted(ref r, Lesson.MostPeople));
        for (var left = people.Capacity; left > 0; left--) people.Add(r.ReadInt32());
        return people.MoveToImmutable();
    }

    private static int Counted(ref MessagePackReader r, int most)
    {
        var count = r.ReadArrayHeader();
        return count <= most ? count : throw new MessagePackSerializationException($"{count} are too many.");
    }
}
