using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>Where in an answer field is typed, and where an answer stands: in its field, wherever that was moved. The browser computes the same (golden vectors).</summary>
public static class AnswerPlace
{
    /// <summary>How much of the height of a field its name takes, 1/100 mm.</summary>
    public const int NameHeight = 650;

    /// <summary>What is left to type in at least, 1/100 mm.</summary>
    public const int LeastHeight = 600;

    /// <summary>Where is typed in a field, as it stands now.</summary>
    public static Box SpaceOf(Mark mark, AnswerFieldBody field)
    {
        var box = MarkGeometry.BoundsOf(mark);
        var name = field.Name.IsEmpty ? 0 : NameHeight;
        return new(Math.Floor(box.X + 0.5), Math.Floor(box.Y + name + 0.5), box.Width, Math.Max(LeastHeight, box.Height - name));
    }

    /// <summary>
    /// The marks of a page as they can be seen: answers stand in their fields. Where undoing has given a field two answers, the later one stands below
    /// the other.
    /// </summary>
    public static IEnumerable<Mark> Follow(IEnumerable<Mark> marks, Func<long, Mark?> find)
    {
        Dictionary<long, int>? below = null;
        foreach (var mark in marks)
        {
            if (mark.Body is not FieldAnswerBody answer || find(answer.Field) is not { Stands: true, Body: AnswerFieldBody field } there || there.Page != mark.Page)
            {
                yield return mark;
                continue;
            }

            var space = SpaceOf(there, field);
            var down = (below ??= []).GetValueOrDefault(there.Id);
            below[there.Id] = down + answer.Height;
            yield return mark with { Body = answer with { X = (int)space.X, Y = (int)space.Y + down }, Place = Place.AsDrawn, Scale = null };
        }
    }
}
