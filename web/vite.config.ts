import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react()],
  server: { proxy: { '/api': 'http://localhost:8470' } },
  build: {
    outDir: 'dist',
    chunkSizeWarningLimit: 1200,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'react', test: /node_modules\/(react|react-dom|react-router|scheduler)\// },
            { name: 'antd', test: /node_modules\/(antd|@ant-design|@rc-component|rc-[a-z-]+)\// },
          ],
        },
      },
    },
  },
})
