// Salt pans at low sun: thin water between salt crusts, haze to the horizon.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 6 }
camera { location <0,2.2,-6> look_at <0,1.35,6> right x*image_width/image_height angle 62 }
light_source { <-2600,620,5200> rgb <2.6,1.75,1.05> }
light_source { <2000,3000,-3000> rgb <0.20,0.24,0.34> shadowless }
sky_sphere {
  pigment { gradient y color_map {
    [0.00 rgb <1.05,0.62,0.36>] [0.05 rgb <0.98,0.62,0.42>] [0.14 rgb <0.80,0.60,0.56>]
    [0.30 rgb <0.46,0.50,0.66>] [0.60 rgb <0.20,0.30,0.52>] [1.00 rgb <0.10,0.18,0.40>] } }
  pigment { wrinkles turbulence 0.45 lambda 2.3 omega 0.55 octaves 7 scale <0.75,0.055,0.5> rotate z*-3
    color_map { [0.00 rgbt <0.95,0.55,0.42,0.15>] [0.30 rgbt <0.95,0.66,0.55,0.55>] [0.55 rgbt <1,0.8,0.7,1>] [1 rgbt 1] } }
  pigment { bozo turbulence 0.8 lambda 2.2 octaves 6 scale <0.30,0.022,0.3> translate 3
    color_map { [0.00 rgbt <1.0,0.72,0.52,0.35>] [0.28 rgbt <1,0.8,0.66,0.85>] [0.4 rgbt 1] [1 rgbt 1] } }
}
fog { fog_type 2 distance 75 rgb <0.96,0.66,0.50> fog_offset 0 fog_alt 2.2 turbulence 0.2 }
// brine
plane { y, 0
  pigment { rgb <0.018,0.024,0.030> }
  normal { average normal_map {
    [1 bumps 0.035 scale <0.35,1,0.10> turbulence 0.4]
    [1 bumps 0.022 scale <0.06,1,0.022>]
    [1.5 bumps 0.06 scale <2.4,1,0.7>] } }
  finish { ambient 0 diffuse 0.25 reflection { 0.04, 0.96 fresnel on } conserve_energy specular 0.5 roughness 0.004 }
  interior { ior 1.33 } }
// crusts of salt and mud
#declare Land = function { pigment { wrinkles turbulence 0.7 octaves 9 omega 0.56 lambda 2.1 scale <0.10,0.045,0.1> color_map { [0 rgb 0][1 rgb 1] } } }
#declare Fine = function { pigment { granite scale 0.05 color_map { [0 rgb 0][1 rgb 1] } } }
height_field { function 2600,2600 { Land(x,y,0).gray*0.8 + Fine(x,y,0).gray*0.20 } smooth
  translate <-0.5,-0.475,0> scale <90,0.85,90> translate <0,0,-7>
  texture { slope { y } texture_map {
    [0.55 pigment { granite scale 0.6 color_map { [0 rgb <0.10,0.075,0.06>][1 rgb <0.24,0.19,0.16>] } } finish { ambient 0 diffuse 0.8 }]
    [0.90 pigment { granite scale 0.25 color_map { [0 rgb <0.50,0.44,0.42>][1 rgb <0.86,0.80,0.78>] } } normal { granite 0.35 scale 0.06 } finish { ambient 0 diffuse 0.85 specular 0.12 roughness 0.08 }]
  } } }
// the far shore
height_field { function 900,200 { Land(x*2.5,y,3).gray*0.6+Fine(x*3,y*2,1).gray*0.25 } smooth translate <-0.5,0,0> scale <900,34,120> translate <0,-9,420>
  pigment { rgb <0.16,0.12,0.14> } finish { ambient 0 diffuse 0.7 } }
