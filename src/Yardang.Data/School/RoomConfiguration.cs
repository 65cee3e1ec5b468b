using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class RoomConfiguration : IEntityTypeConfiguration<RoomRecord>
{
    public void Configure(EntityTypeBuilder<RoomRecord> builder)
    {
        builder.ToTable("Rooms");
        builder.Ignore(r => r.Place);
        builder.HasIndex(r => new { r.OfId, r.Kind, r.Part, r.Whose, r.Number }).IsUnique();
    }
}
