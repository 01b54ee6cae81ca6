export const assemblies = {
  noComponentsYetEachOneIsA:
    'No components yet. Each one is a material, labour or machine, with a formula for its quantity.',
  labor: 'Labour',
  difficultyLaborHoursAreMultipliedBy: 'Difficulty: labour hours are multiplied by this',
  favorites: 'Favourites',
  noFavoritesYetStarTheOnesYou: 'No favourites yet. Star the ones you use often.',
  aFavorite: 'A favourite',
  favorite: 'Favourite',
  laborIn: 'Labour, {{unit}}',
} as const;
