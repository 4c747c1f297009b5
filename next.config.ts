import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3'],
  poweredByHeader: false,
  devIndicators: false,
  
};

export default config;
