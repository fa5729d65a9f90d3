// Fells in morning mist: ridge behind ridge, each paler than the last.
#version 3.7;
global_settings { assumed_gamma 1.0 }
camera { location <0,9.5,-22> look_at <0,7.6,30> right x*image_width/image_height angle 40 }
light_source { <6500,2600,9000> rgb <2.3,1.9,1.45> }
light_source { <-3000,5000,-3000> rgb <0.28,0.33,0.42> shadowless }
sky_sphere { pigment { gradient y color_map { [0 rgb <1.0,0.86,0.66>][0.08 rgb <0.92,0.84,0.74>][0.25 rgb <0.62,0.70,0.80>][0.7 rgb <0.30,0.44,0.66>] } }
 pigment { bozo turbulence 0.9 octaves 7 omega 0.55 scale <0.8,0.10,0.4> color_map { [0 rgbt <1,0.93,0.84,0.2>][0.42 rgbt <1,0.95,0.9,0.8>][0.6 rgbt 1][1 rgbt 1] } } }
fog { fog_type 2 distance 110 rgb <0.84,0.77,0.71> fog_offset 0 fog_alt 7 }
fog { fog_type 2 distance 22 rgb <0.93,0.89,0.84> fog_offset 0.6 fog_alt 0.8 turbulence 0.6 turb_depth 0.4 }
#declare W = function { pigment { wrinkles octaves 9 omega 0.53 turbulence 0.25 scale <0.24,0.24,0.2> color_map { [0 rgb 0][1 rgb 1] } } }
#declare G = function { pigment { granite scale 0.09 color_map { [0 rgb 0][1 rgb 1] } } }
height_field { function 3000,3000 { min(1,max(0,W(x+0.2,y+0.63,0.2).gray*0.94+0.05*(G(x,y,0).gray-0.5)+0.014*(G(x*6,y*6,1).gray-0.5)))*(0.13+0.87*pow(1-y,0.8)) } smooth
  translate <-0.5,0,0> scale <130,26,150> translate <4,-3.0,-24>
  texture { slope { y } texture_map {
   [0.50 pigment { granite scale 1.2 color_map { [0 rgb <0.07,0.065,0.06>][1 rgb <0.20,0.185,0.17>] } } finish { ambient 0 diffuse 0.85 }]
   [0.75 pigment { granite scale 0.7 color_map { [0 rgb <0.060,0.070,0.025>][0.6 rgb <0.13,0.115,0.045>][1 rgb <0.24,0.17,0.08>] } } normal { granite 0.4 scale 0.12 } finish { ambient 0 diffuse 0.85 }]
   [0.95 pigment { granite scale 0.5 color_map { [0 rgb <0.09,0.105,0.035>][1 rgb <0.19,0.19,0.075>] } } normal { granite 0.4 scale 0.08 } finish { ambient 0 diffuse 0.85 }] } } }
// a stand of larches on the near slope
#declare S=seed(7);
#macro Tree(P,H) union { #local i=0; #while (i<9) cone { <0,H*(0.12+i*0.095),0>,H*0.17*(1-i*0.105),<0,H*(0.30+i*0.095),0>,0 } #local i=i+1; #end
  cylinder { <0,-1,0>,<0,H*0.5,0>,H*0.018 }
  pigment { granite scale 0.2 color_map { [0 rgb <0.018,0.026,0.014>][1 rgb <0.055,0.062,0.028>] } } normal { granite 0.9 scale 0.10 } finish { ambient 0 diffuse 0.8 } translate P } #end
#declare i=0; #while (i<70) #declare a=rand(S); Tree(<-19+21*a+2*rand(S),-0.3+1.2*rand(S)-2.6*a,2+14*rand(S)>,2.2+2.6*rand(S)) #declare i=i+1; #end
