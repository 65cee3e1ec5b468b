using System.Collections.Immutable;
using System.Globalization;

namespace Yardang.Core.ClassLists;

/// <summary>Where somebody sits: rows count from the front, columns from the left, both from 1.</summary>
public readonly record struct Seat(int Row, int Column);

/// <summary>Who sits where in a room of rows and columns. Immutable; as text "4x6;7:1,3;12:1,4".</summary>
/// <param name="Rows">Rows, from the front.</param>
/// <param name="Columns">Columns, from the left.</param>
/// <param name="Seats">By roster number.</param>
public sealed record SeatingPlan(int Rows, int Columns, ImmutableSortedDictionary<int, Seat> Seats)
{
    /// <summary>Most rows, and most columns.</summary>
    public const int Most = 12;

    /// <summary>No plan: nobody has a seat.</summary>
    public static readonly SeatingPlan None = new(4, 6, ImmutableSortedDictionary<int, Seat>.Empty);

    /// <summary>Everybody row by row from the front, as far as there are seats.</summary>
    public static SeatingPlan Filled(int rows, int columns, IEnumerable<int> numbers) => new(
        rows, columns, numbers.Take(rows * columns).Select((number, i) => (number, new Seat((i / columns) + 1, (i % columns) + 1))).ToImmutableSortedDictionary(s => s.number, s => s.Item2));

    /// <summary>The plan of a text; null if the text is none, somebody has no seat in the room, or two share one.</summary>
    public static SeatingPlan? Read(string? text)
    {
        var parts = (text ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries);
        if (parts.Length == 0 || Numbers(parts[0], 'x') is not [var rows, var columns] || rows is < 1 or > Most || columns is < 1 or > Most) return null;
        var seats = ImmutableSortedDictionary.CreateBuilder<int, Seat>();
        foreach (var part in parts.Skip(1))
        {
            if (Numbers(part, ':', ',') is not [var number, var row, var column] || row < 1 || row > rows || column < 1 || column > columns) return null;
            if (seats.ContainsKey(number) || seats.ContainsValue(new(row, column))) return null;
            seats[number] = new(row, column);
        }

        return new(rows, columns, seats.ToImmutable());
    }

    /// <summary>The plan as text.</summary>
    public string Write() => string.Join(';', Seats.Select(s => string.Create(CultureInfo.InvariantCulture, $"{s.Key}:{s.Value.Row},{s.Value.Column}")).Prepend(string.Create(CultureInfo.InvariantCulture, $"{Rows}x{Columns}")));

    private static int[]? Numbers(string text, params char[] between)
    {
        var parts = text.Split(between);
        var numbers = parts.Select(p => int.TryParse(p, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : -1).ToArray();
        return numbers.All(n => n >= 0) ? numbers : null;
    }
}
