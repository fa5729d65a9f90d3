// A slate quarry under snow, overcast with a break of light: rock on the steep, snow on the flat.
#version 3.7;
global_settings { assumed_gamma 1.0 }
camera { location <0.1,3.4,-8.5> look_at <0.2,1.55,0> right x*image_width/image_height angle 50 }
light_source { <-4200,2300,-1200> rgb 1.65 area_light <600,0,0>,<0,0,600>,3,3 jitter }
light_source { <3000,5200,-3000> rgb 0.42 shadowless }
sky_sphere { pigment { gradient y color_map { [0 rgb 0.70][0.2 rgb 0.52][0.6 rgb 0.30][1 rgb 0.2] } }
  pigment { wrinkles turbulence 0.7 octaves 7 omega 0.55 scale <0.9,0.24,0.6> color_map { [0 rgbt <0.95,0.95,0.95,0.15>][0.45 rgbt <0.6,0.6,0.6,0.55>][0.8 rgbt <0.4,0.4,0.4,0.75>][1 rgbt <1,1,1,1>] } } }
fog { fog_type 2 distance 42 rgb 0.66 fog_offset 0.2 fog_alt 2.6 }
#declare W = function { pigment { wrinkles octaves 8 omega 0.43 turbulence 0.35 scale 0.23 color_map { [0 rgb 0][1 rgb 1] } } }
#declare G = function { pigment { granite scale 0.11 color_map { [0 rgb 0][1 rgb 1] } } }
// quarry benches: heights are pulled towards terraces
#declare T = function(u) { (floor(u*7)+ min(1,max(0,((u*7-floor(u*7))-0.72)/0.20)))/7 }
#declare H = function(x,y) { W(x+0.33,y+0.15,0.3).gray*0.86 + pow(y,1.3)*0.32 - 0.10*exp(-pow((x-0.52)*3.6,2)) }
height_field { function 3000,3000 { min(1,max(0, 0.60*T(H(x,y)) + 0.34*H(x,y) + 0.020*(G(x,y,0).gray-0.5) + 0.006*(G(x*5,y*5,2).gray-0.5))) } smooth
  translate <-0.5,0,0> scale <26,6.6,26> translate <0,-1.9,-8>
  texture { slope { y } texture_map {
    [0.00 pigment { granite scale <0.8,0.05,0.8> color_map { [0 rgb 0.030][0.5 rgb 0.075][1 rgb 0.20] } } normal { granite 0.7 scale <0.3,0.03,0.3> } finish { ambient 0 diffuse 0.9 specular 0.18 roughness 0.05 }]
    [0.78 pigment { granite scale <0.5,0.06,0.5> color_map { [0 rgb 0.045][0.5 rgb 0.10][1 rgb 0.30] } } normal { granite 0.6 scale <0.2,0.04,0.2> } finish { ambient 0 diffuse 0.9 }]
    [0.88 pigment { granite scale 0.3 color_map { [0 rgb 0.42][1 rgb 0.78] } } normal { bumps 0.25 scale 0.05 } finish { ambient 0 diffuse 0.92 }]
    [0.94 pigment { rgb 0.90 } normal { bumps 0.12 scale 0.12 } finish { ambient 0 diffuse 0.95 }]
  } } }
