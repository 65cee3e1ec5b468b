using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Walls : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // Lessons of before are of boards.
            migrationBuilder.AddColumn<int>(
                name: "WorkKind",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: 3);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "WorkKind",
                table: "Lessons");
        }
    }
}
