using System.Collections.Immutable;

namespace Yardang.Core.Geometry;

/// <summary>A place on a page, 1/100 mm.</summary>
public readonly record struct Spot(double X, double Y)
{
    /// <summary>The places of x, y, x, y ...</summary>
    public static ImmutableArray<Spot> All(ImmutableArray<int> points)
    {
        var spots = ImmutableArray.CreateBuilder<Spot>(points.Length / 2);
        for (var i = 0; i + 1 < points.Length; i += 2) spots.Add(new(points[i], points[i + 1]));
        return spots.ToImmutable();
    }
}

/// <summary>An upright box, 1/100 mm.</summary>
public readonly record struct Box(double X, double Y, double Width, double Height)
{
    /// <summary>Its middle.</summary>
    public Spot Middle => new(X + (Width / 2), Y + (Height / 2));

    /// <summary>Its corners, clockwise from the top left.</summary>
    public ImmutableArray<Spot> Corners => [new(X, Y), new(X + Width, Y), new(X + Width, Y + Height), new(X, Y + Height)];

    /// <summary>The smallest box round some places.</summary>
    public static Box Round(IReadOnlyCollection<Spot> spots)
    {
        double left = spots.Min(s => s.X), top = spots.Min(s => s.Y);
        return new(left, top, spots.Max(s => s.X) - left, spots.Max(s => s.Y) - top);
    }
}
